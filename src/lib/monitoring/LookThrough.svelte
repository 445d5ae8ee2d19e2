<script lang="ts">
	import type { Snippet } from 'svelte';
	import { resolve } from '$app/paths';
	import { useMonitoring } from '../session/monitoring-session.svelte';

	interface Props {
		/** Whether there is any export. */
		some: boolean;
		children: Snippet;
	}
	let { some, children }: Props = $props();
	const session = useMonitoring();
</script>

{#if !some}
	<div class="panel empty">
		<h1>No export yet</h1>
		<p>
			The monitoring’s export as CSV, of the whole system, its inverters, strings or modules. Zembo
			says which unit underperforms its peers and since when, and raises no false alarm over
			clipping, clouds and evening shade.
		</p>
		<p>
			<a class="act" href={resolve('/sites/[site]/monitoring/exports', { site: session.siteId })}
				>Take an export in</a
			>
		</p>
	</div>
{:else if session.progress || (!session.found && !session.problem && !session.stopped)}
	<div class="panel empty" role="status">
		<h1>Looking through the exports</h1>
		<p>{session.progress?.words ?? 'Fetching the exports'} …</p>
		<progress max="1" value={session.progress?.done ?? 0} aria-label="Looking through the exports"
		></progress>
		<p><button class="act-plain" onclick={() => session.stop()}>Stop</button></p>
	</div>
{:else if session.problem || session.stopped}
	<div class="panel empty">
		{#if session.problem}
			<h1>The exports were not looked through</h1>
			<p class="notice" data-kind="error" role="alert">{session.problem}</p>
		{:else}<h1>Stopped before the end</h1>{/if}
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

	h1 {
		font-size: 1.2rem;
	}

	progress {
		width: 100%;
		height: 14px;
		accent-color: var(--accent);
	}
</style>
