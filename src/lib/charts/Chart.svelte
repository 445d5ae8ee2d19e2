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
	}
	let { option, words }: Props = $props();

	let box: HTMLElement;
	/** Counted on the element, so that one who waits for a picture can see it come. */
	let pictures = 0;
	let chart = $state.raw<EChartsType | null>(null);
	let look = $state.raw<Ink | null>(null);

	function inkOf(element: HTMLElement): Ink {
		const style = getComputedStyle(element);
		const token = (name: string) => style.getPropertyValue(name).trim();
		return {
			ink: token('--ink'),
			soft: token('--soft'),
			line: token('--line'),
			accent: token('--accent'),
			sheet: token('--sheet'),
			off: token('--off'),
			font: style.fontFamily,
			stroke: Number.parseFloat(token('--stroke'))
		};
	}

	onMount(() => {
		let alive = true;
		const sized = new ResizeObserver(() => chart?.resize());
		const modes = new MutationObserver(() => (look = inkOf(box)));
		modes.observe(document.documentElement, { attributeFilter: ['data-mode'] });
		void import('./echarts').then(({ init }) => {
			if (!alive) return;
			look = inkOf(box);
			chart = init(box, null, { renderer: 'canvas' });
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
	}
</style>
