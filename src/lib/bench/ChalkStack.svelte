<script lang="ts">
	import type { Bin } from '$core/bench';

	interface Props {
		bins: readonly Bin[];
		chosen: string | null;
		onchoose: (mark: string) => void;
	}
	let { bins, chosen, onchoose }: Props = $props();
	const percent = (share: number) => (100 * share).toFixed(0);
</script>

<!-- Every module is its own chalk mark, piled over the share of its label that it gives. -->
<figure>
	<div class="stack" role="group" aria-label="Modules by their share of label power">
		{#each bins as { from, to, marks } (from)}
			<div class="bin">
				<div class="marks">
					{#each marks as mark (mark)}
						<button
							type="button"
							class="figure"
							class:chosen={mark === chosen}
							onclick={() => onchoose(mark)}
							aria-label="Module {mark}, {percent(from)} to {percent(to)} %">{mark}</button
						>
					{/each}
				</div>
				<span class="figure axis">{percent(from)}</span>
			</div>
		{/each}
	</div>
	<figcaption class="soft">Share of label power, %, corrected to standard conditions</figcaption>
</figure>

<style>
	.stack {
		display: grid;
		grid-template-columns: repeat(12, minmax(0, 1fr));
		align-items: end;
		min-height: 5.5rem;
	}

	.bin {
		display: grid;
		align-content: end;
		border-left: 1px solid var(--line);
	}

	.marks {
		display: flex;
		flex-direction: column-reverse;
		align-items: stretch;
		gap: 2px;
		padding: 0 2px 2px;
		border-bottom: var(--stroke) solid var(--rule);
	}

	button {
		min-height: 26px;
		border: 1px solid var(--rule);
		background: var(--sheet);
		font-size: 0.85rem;
		overflow: hidden;
	}

	.chosen {
		background: var(--ink);
		color: var(--paper);
	}

	.axis {
		font-size: 0.75rem;
		color: var(--soft);
		transform: translateX(-0.3em);
	}

	figcaption {
		font-size: 0.9rem;
	}
</style>
