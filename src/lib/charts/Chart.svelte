<script lang="ts">
	import { onMount } from 'svelte';
	import type { EChartsType } from './echarts';
	import type { EChartsCoreOption } from 'echarts/core';
	import type { Ink } from './ink';

	interface Props {
		/** The chart as ECharts takes it, in the colours of the present look. */
		option: (look: Ink) => EChartsCoreOption;
		/** What the picture shows, for one who does not see it. */
		words: string;
		/** Which parts of the library are wanted. */
		parts?: 'curves' | 'watch';
		/** Called once with the chart, for one who listens to it. */
		onready?: (chart: EChartsType) => void;
	}
	let { option, words, parts = 'curves', onready }: Props = $props();

	let box: HTMLElement;
	/** Counted on the element, so that one who waits for a picture can see it come. */
	let pictures = 0;
	let chart = $state.raw<EChartsType | null>(null);
	let look = $state.raw<Ink | null>(null);

	/** The library blends colours itself, and knows red, green and blue alone. */
	function rgbOf(colour: string): string {
		const pen = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!;
		pen.fillStyle = colour;
		pen.fillRect(0, 0, 1, 1);
		const [red, green, blue, alpha] = pen.getImageData(0, 0, 1, 1).data;
		return `rgba(${red},${green},${blue},${(alpha! / 255).toFixed(3)})`;
	}

	function inkOf(element: HTMLElement): Ink {
		const style = getComputedStyle(element);
		const token = (name: string) => rgbOf(style.getPropertyValue(name).trim());
		return {
			ink: token('--ink'),
			soft: token('--soft'),
			line: token('--line'),
			accent: token('--accent'),
			sheet: token('--sheet'),
			off: token('--off'),
			font: style.fontFamily,
			stroke: Number.parseFloat(style.getPropertyValue('--stroke'))
		};
	}

	onMount(() => {
		let alive = true;
		const sized = new ResizeObserver(() => chart?.resize());
		const modes = new MutationObserver(() => (look = inkOf(box)));
		modes.observe(document.documentElement, { attributeFilter: ['data-mode'] });
		const library = parts === 'watch' ? import('./echarts-monitoring') : import('./echarts');
		void library.then(({ init }) => {
			if (!alive) return;
			look = inkOf(box);
			chart = init(box, null, { renderer: 'canvas' });
			onready?.(chart);
			sized.observe(box);
		});
		return () => {
			alive = false;
			sized.disconnect();
			modes.disconnect();
			chart?.dispose();
		};
	});
	$effect(() => {
		if (!chart || !look) return;
		chart.setOption(option(look));
		box.dataset.drawn = String(++pictures);
	});
</script>

<div class="chart" role="img" aria-label={words} bind:this={box}></div>

<style>
	.chart {
		width: 100%;
		height: 100%;
		min-height: 15rem;
		/* What was drawn for a wider page must not widen a narrower one. */
		overflow: hidden;
		contain: inline-size;
	}
</style>
