<script lang="ts">
	import type { Cause } from '$core/diagnosis';
	import { chance } from '../text/format';

	let { causes }: { causes: readonly Cause[] } = $props();

	/** Every member of every line, and what is left for the string being whole. */
	const pieces = $derived(
		causes.flatMap((cause, line) =>
			cause.members.map((member, i) => ({
				key: `${cause.id}/${i}`,
				words: member.words,
				share: member.probability,
				line
			}))
		)
	);
	const rest = $derived(Math.max(0, 1 - pieces.reduce((sum, piece) => sum + piece.share, 0)));
</script>

<!--
	What is still possible, cut in proportion to its chance; pieces of one line share a hatch. A piece
	that is alone has its words in the headline above it.
-->
<div
	class="bar"
	role="img"
	aria-label="Chances: {pieces.map((p) => `${p.words} ${chance(p.share)}`).join(', ')}"
>
	{#each pieces as { key, words, share, line } (key)}
		<span class="piece" data-line={line % 3} style:flex-grow={share}>
			{#if share > 0.1}<b
					><span class="figure">{chance(share)}</span>
					{pieces.length > 1 ? words : ''}</b
				>{/if}
		</span>
	{/each}
	{#if rest > 0.004}
		<span class="piece" data-line="rest" style:flex-grow={rest}>
			{#if rest > 0.1}<b><span class="figure">{chance(rest)}</span> nothing wrong with it</b>{/if}
		</span>
	{/if}
</div>

<style>
	.bar {
		display: flex;
		min-height: 34px;
		border: var(--stroke) solid var(--ink);
	}

	.piece {
		flex-basis: 0;
		min-width: 4px;
		display: grid;
		align-items: center;
		padding: 3px;
		border-inline-end: var(--stroke) solid var(--ink);
		overflow: hidden;
	}

	.piece:last-child {
		border: 0;
	}

	b {
		background: var(--sheet);
		color: var(--ink);
		padding: 0 0.4rem;
		font-size: 0.92rem;
		font-weight: 550;
		width: fit-content;
		max-width: 100%;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	[data-line='0'] {
		background: repeating-linear-gradient(45deg, var(--off) 0 2.5px, var(--sheet) 2.5px 7px);
	}

	[data-line='1'] {
		background: repeating-linear-gradient(-45deg, var(--look) 0 2px, var(--sheet) 2px 9px);
	}

	[data-line='2'] {
		background: repeating-linear-gradient(90deg, var(--soft) 0 1.5px, var(--sheet) 1.5px 8px);
	}

	[data-line='rest'] {
		background: var(--sheet);
	}
</style>
