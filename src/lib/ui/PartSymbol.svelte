<script lang="ts">
	import type { PartKind } from '$core/record';
	import { PART_SYMBOLS } from './part-symbols';

	let { kind }: { kind: PartKind } = $props();
</script>

<svg viewBox="0 0 40 28" width="40" height="28" aria-hidden="true">
	<path d={PART_SYMBOLS[kind]} />
</svg>

<style>
	svg {
		flex: none;
	}

	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: var(--stroke);
		stroke-linejoin: round;
	}
</style>
