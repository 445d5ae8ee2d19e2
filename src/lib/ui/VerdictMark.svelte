<script lang="ts">
	import type { Verdict } from '$core/assessment';
	import { VERDICT_LABELS } from '../text/format';

	interface Props {
		verdict: Verdict;
		/** The word beside the mark; without it the mark carries it for screen readers alone. */
		word?: boolean;
	}
	let { verdict, word = true }: Props = $props();
</script>

<!-- Told apart by shape: a level in its ring, a half-filled lozenge, a broken square, a dotted ring. -->
<span class="verdict" data-verdict={verdict}>
	<svg viewBox="0 0 20 20" aria-hidden="true">
		{#if verdict === 'pass'}
			<circle cx="10" cy="10" r="7.6" class="edge" />
			<path d="M6 10h8" class="level" />
		{:else if verdict === 'marginal'}
			<path d="M10 1.8 18.2 10 10 18.2 1.8 10Z" class="edge" />
			<path d="M10 1.8V18.2L1.8 10Z" class="fill" />
		{:else if verdict === 'fail'}
			<path d="M2 2H11L8.6 10 11.4 10 8.4 18H2Z" class="fill" />
			<path d="M13.6 2H18V18H11L14 10H11.2Z" class="fill" />
		{:else}
			<circle cx="10" cy="10" r="7.6" class="edge dotted" />
		{/if}
	</svg>
	<span class={word ? '' : 'sr-only'}>{VERDICT_LABELS[verdict]}</span>
</span>

<style>
	.verdict {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		font-weight: 650;
		white-space: nowrap;
		color: var(--soft);
	}

	svg {
		width: 1.15em;
		height: 1.15em;
		flex: none;
		overflow: visible;
	}

	[data-verdict='pass'] {
		color: var(--fits);
	}

	[data-verdict='marginal'] {
		color: var(--look);
	}

	[data-verdict='fail'] {
		color: var(--off);
	}

	.edge,
	.level {
		fill: none;
		stroke: currentColor;
		stroke-width: 2.2;
	}

	.dotted {
		stroke-dasharray: 2.4 3.4;
	}

	.fill {
		fill: currentColor;
	}
</style>
