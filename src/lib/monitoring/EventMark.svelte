<script lang="ts">
	import type { UnitEvent } from '$core/monitoring';

	let { kind }: { kind: UnitEvent['kind'] } = $props();
	/** The course of its share over time, in small; each kind has its own shape. */
	const COURSES: Readonly<Record<UnitEvent['kind'], string>> = {
		dead: 'M1 4 H11 V17 H25',
		intermittent: 'M1 4 H6 V17 H9 V4 H14 V17 H18 V4 H25',
		silent: 'M1 4 H9 M14 17 H16 M19 17 H21 M24 17 H25',
		low: 'M1 11 H25',
		step: 'M1 4 H12 V11 H25',
		slope: 'M1 4 L25 15',
		dirt: 'M1 4 L16 13 V4 H25',
		shade: 'M1 4 H8 V13 H16 V4 H25'
	};
</script>

<svg viewBox="0 0 26 20" width="39" height="30" aria-hidden="true">
	<path class="usual" d="M1 4 H25" />
	<path class="own" d={COURSES[kind]} />
</svg>

<style>
	svg {
		flex: none;
	}

	path {
		fill: none;
	}

	.usual {
		stroke: var(--rule);
		stroke-width: 1;
		stroke-dasharray: 1.5 2;
	}

	.own {
		stroke: var(--off);
		stroke-width: 2.4;
		stroke-linejoin: round;
	}
</style>
