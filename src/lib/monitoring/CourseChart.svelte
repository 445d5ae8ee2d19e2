<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import type { EChartsType } from 'echarts/core';
	import { MONITORED_QUANTITY_FACTS, type MonitoredQuantity } from '$core/monitoring';
	import Chart from '$lib/charts/Chart.svelte';
	import { courseOption, type CourseOfUnit, type Segment } from '$lib/charts/course-option';
	import type { PartWith } from './parts';
	import { clockIn } from '$lib/time/zone';
	import { clockWords } from './clock-words';

	interface Props {
		siteId: string;
		timeZone: string;
		/** Which units, in the order of their lines. */
		units: readonly PartWith[];
		quantity: MonitoredQuantity;
		/** Power in percent of the label. */
		ofLabel?: boolean;
		whole: Segment;
		/** What is shown at first. */
		first: Segment;
	}
	let { siteId, timeZone, units, quantity, ofLabel = false, whole, first }: Props = $props();

	/** Points of a line that are shown: more of them the eye cannot tell apart, and they take long to draw. */
	const POINTS = 400;
	/** Dragging asks for the next stretch no more often than this, ms. */
	const PATIENCE = 60;
	/** On either side more is fetched than is shown, so that dragging shows something at once. */
	const MARGIN = 0.5;

	const clock = $derived(clockIn(timeZone));
	/** A stretch of instants as the site's clock shows it. */
	const onClock = ({ from, to }: Segment): Segment => ({ from: clock(from), to: clock(to) });
	const SPANS = [
		{ words: 'Day', length: 86_400_000 },
		{ words: 'Week', length: 7 * 86_400_000 },
		{ words: 'Month', length: 30 * 86_400_000 },
		{ words: 'All', length: Infinity }
	] as const;

	let shown = $state.raw<Segment>(untrack(() => first));
	let lines = $state.raw<readonly CourseOfUnit[]>([]);
	let problem = $state('');
	let chart: EChartsType | null = null;
	let timer: ReturnType<typeof setTimeout> | undefined;
	let asked: AbortController | null = null;
	onDestroy(() => {
		clearTimeout(timer);
		asked?.abort();
	});

	async function fetchLines(): Promise<void> {
		asked?.abort();
		const request = new AbortController();
		asked = request;
		const span = shown.to - shown.from;
		const query = new URLSearchParams({
			quantity,
			from: String(Math.max(whole.from, Math.floor(shown.from - MARGIN * span))),
			to: String(Math.min(whole.to, Math.ceil(shown.to + MARGIN * span))),
			points: String(POINTS * (1 + 2 * MARGIN))
		});
		for (const { key } of units) query.append('unit', key);
		try {
			const response = await fetch(`/sites/${siteId}/monitoring/course?${query}`, {
				signal: request.signal
			});
			if (!response.ok) throw new Error(String(response.status));
			const answer = (await response.json()) as { key: string; at: number[]; mean: number[] }[];
			lines = answer.map(({ key, at, mean }) => ({
				label: units.find((unit) => unit.key === key)?.label ?? key,
				at: at.map(clock),
				mean
			}));
			problem = '';
		} catch {
			if (!request.signal.aborted)
				problem = 'The server did not answer; the picture is not complete.';
		}
	}

	/** Percent of the label in the place of W. */
	function asShare(line: CourseOfUnit): CourseOfUnit {
		const power = units.find(({ label }) => label === line.label)?.labelWatts ?? 0;
		return power > 0 ? { ...line, mean: line.mean.map((mean) => (100 * mean) / power) } : line;
	}

	function listen(ready: EChartsType): void {
		chart = ready;
		ready.on('datazoom', () => {
			const [zoom] = ready.getOption()['dataZoom'] as { startValue: number; endValue: number }[];
			if (!zoom) return;
			// What the clock is ahead is near enough the same over what is shown.
			const ahead = clock(shown.from) - shown.from;
			shown = { from: zoom.startValue - ahead, to: zoom.endValue - ahead };
			clearTimeout(timer);
			timer = setTimeout(() => void fetchLines(), PATIENCE);
		});
	}

	/** Moves the lines that are there; the finer ones follow when they come. */
	function show(from: number, length: number): void {
		const span = Math.min(length, whole.to - whole.from);
		const begin = Math.max(whole.from, Math.min(from, whole.to - span));
		shown = { from: begin, to: begin + span };
		void fetchLines();
		const { from: startValue, to: endValue } = onClock(shown);
		chart?.dispatchAction({ type: 'dataZoom', startValue, endValue }, { silent: true });
	}
	const length = $derived(shown.to - shown.from);

	$effect(() => {
		if (units.length > 0 && quantity && whole) untrack(() => void fetchLines());
	});
	$effect(() => {
		const next = first;
		untrack(() => {
			shown = next;
			void fetchLines();
		});
	});
</script>

{#if problem}<p class="notice" data-kind="error" role="alert">{problem}</p>{/if}
<p class="steps">
	<button class="act-plain" onclick={() => show(shown.from - length, length)}>Earlier</button>
	{#each SPANS as { words, length: span } (words)}
		<button
			class="act-plain choice"
			aria-pressed={Math.abs(length / Math.min(span, whole.to - whole.from) - 1) < 0.02}
			onclick={() => show(shown.to - span, span)}>{words}</button
		>
	{/each}
	<button class="act-plain" onclick={() => show(shown.to, length)}>Later</button>
</p>
<div class="course" data-lines={lines.length} data-points={lines[0]?.at.length ?? 0}>
	<Chart
		parts="watch"
		onready={listen}
		words="{MONITORED_QUANTITY_FACTS[quantity].words} of {units
			.map(({ label }) => label)
			.join(', ')} over time"
		option={(look) =>
			courseOption(
				ofLabel ? lines.map(asShare) : lines,
				ofLabel ? '%' : MONITORED_QUANTITY_FACTS[quantity].unit,
				onClock(whole),
				// The picture moves itself: only other lines are a new one.
				untrack(() => onClock(shown)),
				clockWords,
				look
			)}
	/>
</div>

<style>
	.steps {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
	}

	.course {
		height: 27rem;
	}

	@media (max-width: 700px) {
		.course {
			height: 22rem;
		}
	}
</style>
