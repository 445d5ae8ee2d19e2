<script lang="ts">
	import type { Grade } from '$core/bench';
	import { GRADE_WORDS } from './grade-words';

	interface Props {
		grade: Grade;
		/** The band reaches over a limit. */
		near?: boolean;
		/** Not measured on a load: it may be worse, and is not better. */
		atMost?: boolean;
	}
	let { grade, near = false, atMost = false }: Props = $props();
</script>

<!-- A jar that is full, two thirds, a third, or crossed out: told by shape and word. -->
<span class="grade" data-grade={grade}>
	<svg viewBox="0 0 16 20" aria-hidden="true">
		<path class="jar" d="M2 3v13a2 2 0 0 0 2 2h8a2 2 0 0 0 2-2V3" />
		{#if grade === 'good'}<path class="fill" d="M3.6 5h8.8v11.4H3.6z" />
		{:else if grade === 'fair'}<path class="fill" d="M3.6 8.5h8.8v7.9H3.6z" />
		{:else if grade === 'weak'}<path class="fill" d="M3.6 13h8.8v3.4H3.6z" />
		{:else if grade === 'out'}<path class="cross" d="M3 5l10 11M13 5L3 16" />
		{/if}
	</svg>
	{atMost ? 'at most ' : ''}{GRADE_WORDS[grade]}{near ? ', near' : ''}
</span>

<style>
	.grade {
		display: inline-flex;
		align-items: center;
		gap: 0.35rem;
		font-weight: 650;
		white-space: nowrap;
		color: var(--soft);
	}

	svg {
		width: 16px;
		height: 20px;
		flex: none;
	}

	.jar,
	.cross {
		fill: none;
		stroke: currentColor;
		stroke-width: 2;
	}

	.fill {
		fill: currentColor;
	}

	[data-grade='good'] {
		color: var(--fits);
	}

	[data-grade='fair'] {
		color: var(--ink);
	}

	[data-grade='weak'] {
		color: var(--look);
	}

	[data-grade='out'] {
		color: var(--off);
	}
</style>
