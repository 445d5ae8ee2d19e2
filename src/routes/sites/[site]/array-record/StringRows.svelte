<script lang="ts">
	import Plus from '@lucide/svelte/icons/plus';
	import { resolve } from '$app/paths';
	import { fuseWords } from '$core/record';
	import { afterPaint } from '$lib/ui/after-paint.svelte';
	import type { RecordSession } from '$lib/session/record-session.svelte';
	import StringDrawing from '$lib/ui/StringDrawing.svelte';

	let { site, session }: { site: string; session: RecordSession } = $props();
	const record = $derived(session.record);
	const types = $derived(new Map(record.moduleTypes.map(({ id, name }) => [id, name])));
	/** Rows shown at first, and more with each press: all at once of a large site would be waited for. */
	const ROWS = 24;
	let rows = $state(ROWS);
	const drawn = afterPaint(() => rows, ROWS);
	const shown = $derived(record.strings.slice(0, drawn.current));
	const left = $derived(Math.max(0, record.strings.length - rows));
</script>

<section>
	<h2>Strings</h2>
	{#if record.strings.length > 0}
		<ul class="rows">
			{#each shown as string (string.id)}
				<li data-string={string.label}>
					<a
						href={resolve('/sites/[site]/array-record/strings/[string]', {
							site,
							string: string.id
						})}
					>
						<span class="name figure">{string.label}</span>
						<StringDrawing
							modules={string.moduleCount}
							fuse={string.fuse}
							devices={string.devices}
							blockingDiode={string.blockingDiode}
							room={190}
						/>
						<span class="figure">{string.moduleCount} x</span>
						<span>{types.get(string.moduleTypeId)}</span>
						<span class="soft"
							>fuse {fuseWords(string.fuse)}, {string.input
								? `input ${string.input}`
								: 'input unknown'}</span
						>
					</a>
				</li>
			{/each}
		</ul>
		{#if left > 0}
			<button class="act-plain" onclick={() => (rows += ROWS)}
				>Show {left > ROWS ? `${ROWS} of ${left}` : left} more</button
			>
		{/if}
	{:else if record.moduleTypes.length === 0}
		<p class="soft">First the label: without it a string has no expected volts.</p>
	{:else}
		<p class="soft">None recorded yet.</p>
	{/if}
	<p class="acts">
		{#if record.moduleTypes.length > 0}
			<a
				class="act-plain"
				href={resolve('/sites/[site]/array-record/strings/[string]', { site, string: 'new' })}
			>
				<Plus size={20} aria-hidden="true" />Add strings
			</a>
		{/if}
		<a class="act-plain" href={resolve('/sites/[site]/lists', { site })}>Lists in and out</a>
	</p>
</section>

<style>
	section {
		margin-top: 1.8rem;
	}

	h2 {
		font-size: 1.25rem;
		margin-bottom: 0.4rem;
	}

	.rows {
		border-top: var(--stroke) solid var(--rule);
	}

	/* Rows out of sight are not laid out. */
	.rows li {
		content-visibility: auto;
		contain-intrinsic-size: auto 49px;
	}

	.rows a {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 0.8rem;
		min-height: 48px;
		border-bottom: 1px solid var(--line);
		color: var(--ink);
		text-decoration: none;
	}

	.rows a:hover {
		background: var(--lit);
	}

	.name {
		min-width: 3.4ch;
		font-weight: 650;
		font-size: 1.1rem;
		padding-inline-start: 0.25rem;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.8rem;
		margin-top: 0.8rem;
	}
</style>
