<script lang="ts">
	import { cellsOf } from '$core/record/field';
	import type { StringRecord } from '$core/record/record';
	import type { StringColour } from '$lib/ui/string-colours';

	interface Props {
		string: StringRecord;
		/** The field it is drawn on: its id, and the size of edge and cells, px. */
		frame: {
			readonly id: string;
			readonly edge: number;
			readonly wide: number;
			readonly high: number;
		};
		colour: StringColour;
		faded: boolean;
	}
	let { string, frame, colour, faded }: Props = $props();

	const cells = $derived(
		cellsOf(string.spans, string.moduleCount).flatMap((cell, i) =>
			cell?.field === frame.id
				? [
						{
							x: frame.edge + cell.column * frame.wide,
							y: frame.edge + cell.row * frame.high,
							number: i + 1
						}
					]
				: []
		)
	);
	/** Its modules as one path: thousands of modules are a few hundred shapes. */
	const glass = $derived(
		cells
			.map(
				({ x, y }) => `M${x + 2} ${y + 2}h${frame.wide - 4}v${frame.high - 4}h${4 - frame.wide}z`
			)
			.join('')
	);
	/** The line that joins them in electrical order. */
	const line = $derived(
		cells
			.map(({ x, y, number }, i) => {
				const joined = i > 0 && cells[i - 1]!.number === number - 1;
				return `${joined ? 'L' : 'M'}${x + frame.wide / 2} ${y + frame.high * 0.72}`;
			})
			.join('')
	);
	const first = $derived(cells[0]);
</script>

{#if first}
	<g class:faded data-string={string.label}>
		<path d={glass} fill={colour.fill} class="glass" />
		<path d={line} stroke={colour.ink} class="join" />
		<rect
			x={first.x + 4}
			y={first.y + 4}
			width={Math.min(frame.wide - 8, 10 + string.label.length * 8)}
			height="17"
			fill={colour.ink}
		/>
		<text x={first.x + 8} y={first.y + 17.5} fill={colour.fill}>{string.label}</text>
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

	.faded {
		opacity: 0.28;
	}
</style>
