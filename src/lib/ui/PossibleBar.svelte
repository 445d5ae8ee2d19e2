<script lang="ts">
	import type { Cause } from '$core/trace/cause';

	let { causes }: { causes: readonly Cause[] } = $props();
	const rest = $derived(Math.max(0, 1 - causes.reduce((sum, cause) => sum + cause.probability, 0)));
	const percent = (p: number) => `${p > 0.995 ? '>99' : Math.round(100 * p)} %`;
</script>

<!-- What is still possible, cut in proportion to its chance. -->
<div class="bar" role="img" aria-label="Chances: {causes.map((c) => `${percent(c.probability)} ${c.title}`).join('; ')}">
	{#each causes as cause, i (cause.id)}
		<span class="piece" data-n={i % 3} style:flex-grow={cause.probability}>
			{#if cause.probability > 0.08}<b class="figure">{percent(cause.probability)}</b>{/if}
		</span>
	{/each}
	{#if rest > 0.004}
		<span class="piece rest" style:flex-grow={rest}>
			{#if rest > 0.12}<b class="figure">{percent(rest)} whole</b>{/if}
		</span>
	{/if}
</div>

<style>
	.bar {
		display: flex;
		height: 34px;
		border: var(--stroke) solid var(--ink);
		overflow: hidden;
	}

	.piece {
		flex-basis: 0;
		min-width: 3px;
		display: grid;
		align-items: center;
		padding-inline-start: 0.5rem;
		border-inline-end: var(--stroke) solid var(--ink);
		overflow: hidden;
	}

	.piece:last-child {
		border: 0;
	}

	b {
		background: var(--sheet);
		color: var(--ink);
		padding: 0 0.35rem;
		width: fit-content;
	}

	[data-n='0'] {
		background: var(--off);
	}

	[data-n='1'] {
		background: repeating-linear-gradient(45deg, var(--off) 0 3px, var(--sheet) 3px 9px);
	}

	[data-n='2'] {
		background: repeating-linear-gradient(-45deg, var(--soft) 0 2px, var(--sheet) 2px 8px);
	}

	.rest {
		background: var(--sheet);
	}
</style>
