<script lang="ts">
	import type { Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import { useWatch } from './watch-session.svelte';

	interface Props {
		/** Whether there is any export. */
		some: boolean;
		children: Snippet;
	}
	let { some, children }: Props = $props();
	const session = useWatch();
</script>

{#if !some}
	<div class="panel empty">
		<h2>No export yet</h2>
		<p>
			The monitoring’s export as CSV, of the whole system, its inverters, strings or modules. Zembo
			says which unit lags its like and since when, and does not cry wolf over clipping, clouds and
			evening shade.
		</p>
		<p>
			<a class="act" href={resolve('/sites/[site]/watch/exports', { site: session.siteId })}
				>Take an export in</a
			>
		</p>
	</div>
{:else if session.progress}
	<div class="panel empty" role="status">
		<p>{session.progress.words} …</p>
		<progress max="1" value={session.progress.done} aria-label="Looking through the exports"
		></progress>
		<p><button class="act-plain" onclick={() => session.stop()}>Stop</button></p>
	</div>
{:else if session.trouble || session.stopped}
	<div class="panel empty">
		{#if session.trouble}
			<p class="notice" data-kind="error" role="alert">{session.trouble}</p>
		{:else}<p>Stopped before the end.</p>{/if}
		<p><button class="act" onclick={() => void session.look()}>Look again</button></p>
	</div>
{/if}
{#if session.found && !session.progress}{@render children()}{/if}

<style>
	.empty {
		display: grid;
		gap: 0.8rem;
		padding: 1.4rem;
		margin-top: 1.2rem;
		max-width: 46rem;
	}

	h2 {
		font-size: 1.2rem;
	}

	progress {
		width: 100%;
		height: 14px;
		accent-color: var(--accent);
	}
</style>
