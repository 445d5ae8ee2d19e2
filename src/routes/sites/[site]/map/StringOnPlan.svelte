<script lang="ts">
	import type { StringRecord } from '$core/record';
	import { nameplateOf, stringShapes, type Frame } from '$lib/drawing/plan';
	import type { StringColour } from '$lib/ui/string-colours';

	interface Props {
		string: StringRecord;
		/** Of the field it is drawn on. */
		frame: Frame;
		colour: StringColour;
		faded: boolean;
	}
	let { string, frame, colour, faded }: Props = $props();

	const shapes = $derived(stringShapes(string, frame));
</script>

{#if shapes}
	{@const { first, glass, join } = shapes}
	{@const nameplate = nameplateOf(string, first, frame)}
	<g class:faded data-string={string.label}>
		<path d={glass} fill={colour.fill} class="glass" />
		<path d={join} stroke={colour.ink} class="join" />
		<rect {...nameplate} fill={colour.ink} />
		<text x={nameplate.x + 4} y={nameplate.y + 13.5} fill={colour.fill}>{string.label}</text>
	</g>
{/if}

<style>
	.glass {
		stroke: var(--ink);
		stroke-width: 1;
		cursor: grab;
	}

	.join {
		fill: none;
		stroke-width: 2;
		pointer-events: none;
	}

	text {
		font-family: var(--mono);
		font-size: 14px;
		font-weight: 700;
		pointer-events: none;
	}

	/* Each shape by itself: opacity of the whole group would be drawn apart and laid over, string by string. */
	.faded :is(.glass, .join) {
		fill-opacity: 0.28;
		stroke-opacity: 0.28;
	}
</style>
