<script lang="ts">
	import type { InspectionEntry } from '$core/inspection';

	let { outcome }: { outcome: InspectionEntry['outcome'] | null } = $props();
	const WORDS = { fits: 'fits', finding: 'finding', 'not-seen': 'not seen' } as const;
</script>

<!-- Told by shape: a level line, a wedge, a struck eye, an empty ring. -->
<svg viewBox="0 0 24 24" width="24" height="24" data-outcome={outcome} aria-hidden="true">
	{#if outcome === 'fits'}<circle cx="12" cy="12" r="9" /><path d="M7 12h10" />
	{:else if outcome === 'finding'}<path d="M12 3l9.500 17h-19zM12 9v5M12 16.500v1.500" />
	{:else if outcome === 'not-seen'}<path d="M2 12q10-11 20 0q-10 11-20 0zM4 20L20 4" />
	{:else}<circle cx="12" cy="12" r="9" stroke-dasharray="2.500 3" />{/if}
</svg>
<span class="sr-only">{outcome ? WORDS[outcome] : 'not answered'}</span>

<style>
	svg {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
		stroke-linejoin: round;
	}

	[data-outcome='fits'] {
		stroke: var(--fits);
	}

	[data-outcome='finding'] {
		stroke: var(--off);
	}

	[data-outcome='not-seen'] {
		stroke: var(--look);
	}
</style>
