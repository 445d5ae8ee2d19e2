<script lang="ts">
	import type { Check } from '$core/rules/check-record';

	let { outcome }: { outcome: Check['outcome'] } = $props();
</script>

<!-- Told by shape: a level line, a wedge, an open ring, a dot. -->
<svg viewBox="0 0 22 22" width="22" height="22" aria-hidden="true" data-outcome={outcome}>
	{#if outcome === 'finding'}<path d="M11 2l9 17H2zM11 8v5M11 15v2" />
	{:else if outcome === 'unknown'}<circle cx="11" cy="11" r="8" stroke-dasharray="3 3" />
	{:else if outcome === 'note'}<path d="M4 5h14M4 11h14M4 17h8" />
	{:else}<circle cx="11" cy="11" r="8" /><path d="M6 11h10" />{/if}
</svg>

<style>
	svg {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.2;
		stroke-linejoin: round;
	}

	[data-outcome='finding'] {
		stroke: var(--off);
	}

	[data-outcome='fits'] {
		stroke: var(--fits);
	}
</style>
