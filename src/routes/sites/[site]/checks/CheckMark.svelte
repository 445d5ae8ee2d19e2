<script lang="ts">
	import type { CheckVerdict } from '$core/design-checks';

	let { verdict }: { verdict: CheckVerdict } = $props();
</script>

<!-- Told by shape: a wedge, an open ring, lines, a ring with a level line. -->
<svg viewBox="0 0 22 22" width="22" height="22" aria-hidden="true" data-verdict={verdict}>
	{#if verdict === 'fail'}<path d="M11 2l9 17H2zM11 8v5M11 15v2" />
	{:else if verdict === 'not-assessed'}<circle cx="11" cy="11" r="8" stroke-dasharray="3 3" />
	{:else if verdict === 'note'}<path d="M4 5h14M4 11h14M4 17h8" />
	{:else}<circle cx="11" cy="11" r="8" /><path d="M6 11h10" />{/if}
</svg>

<style>
	svg {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.2;
		stroke-linejoin: round;
	}

	[data-verdict='fail'] {
		stroke: var(--off);
	}

	[data-verdict='pass'] {
		stroke: var(--fits);
	}
</style>
