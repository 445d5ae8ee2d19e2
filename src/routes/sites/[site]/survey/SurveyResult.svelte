<script lang="ts">
	import { type ArrayRecord, dcAcRatio, labelPower, unknownsOf } from '$core/record';
	import { partNamesFor } from '$lib/messages/text';
	import { kilowatts } from '$lib/text/format';

	interface Props {
		/** The record that the survey would make; null while it makes none. */
		record: ArrayRecord | null;
		/** Rated power of all modules, W, as far as it is typed; null before. */
		ratedPower: number | null;
	}
	let { record, ratedPower }: Props = $props();
	const unknowns = $derived(record ? unknownsOf(record, partNamesFor(record.rules)) : []);
	const ratio = $derived(record ? dcAcRatio(record) : null);
</script>

<aside class="panel" aria-live="polite">
	<h2>What it gives</h2>
	<dl>
		<div>
			<dt>rated power</dt>
			<dd class="figure" data-rated-power>
				{record ? kilowatts(labelPower(record)) : ratedPower === null ? '—' : kilowatts(ratedPower)}
			</dd>
		</div>
		<div>
			<dt>DC over AC</dt>
			<dd class="figure">{ratio === null ? '—' : ratio.toFixed(2)}</dd>
		</div>
		<div>
			<dt>strings</dt>
			<dd class="figure">{record?.strings.length || 'unknown'}</dd>
		</div>
	</dl>
	{#if unknowns.length > 0}
		<h3>{unknowns.length} things still unknown</h3>
		<ul>
			{#each unknowns.slice(0, 8) as { key, words } (key)}<li>{words}</li>{/each}
			{#if unknowns.length > 8}<li class="soft">and {unknowns.length - 8} more</li>{/if}
		</ul>
	{/if}
</aside>

<style>
	aside {
		position: sticky;
		top: 1rem;
		padding: 1.1rem 1.3rem;
	}

	aside {
		position: static;
	}

	dl div {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--line);
	}

	dd {
		font-size: 1.2rem;
		font-weight: 650;
	}

	h3 {
		margin: 0.9rem 0 0.2rem;
		font-size: 1rem;
	}

	aside li {
		padding: 0.15rem 0;
		line-height: 1.3;
		font-size: 0.95rem;
	}

	@media (max-width: 900px) {
		aside {
			position: static;
		}
	}
</style>
