import type { EChartsCoreOption } from 'echarts/core';
import { axisOf } from './axes';
import { escaped } from './escaped';
import type { Ink } from './ink';

/** A line over time; its times are those of the site's clock, as if it were UTC. */
export interface CourseOfUnit {
	readonly label: string;
	/** ms since 1970-01-01 UTC */
	readonly at: readonly number[];
	readonly mean: readonly number[];
}

/** The stretch of time on the screen, ms since 1970-01-01 UTC. */
export interface Segment {
	readonly from: number;
	readonly to: number;
}

/** Lines differ by dash and weight too, not by colour alone. */
const DASHES = ['solid', 'dashed', 'dotted', [8, 3, 2, 3]] as const;

/** Steps without a sample that break a line. */
const GAP = 2.5;

/**
 * Lines over time that can be dragged and zoomed.
 *
 * @param whole all that could be shown
 * @param shown what is
 * @param clock a time of the site's clock in full
 */
export function courseOption(
	lines: readonly CourseOfUnit[],
	unit: string,
	whole: Segment,
	shown: Segment,
	clock: (time: number) => string,
	look: Ink
): EChartsCoreOption {
	const axis = axisOf(look);
	const colours = [look.accent, look.ink, look.soft, look.off];
	return {
		animation: false,
		useUTC: true,
		grid: { left: 62, right: 20, top: 46, bottom: 86 },
		legend: {
			top: 0,
			left: 62,
			type: 'scroll',
			textStyle: { color: look.ink, fontFamily: look.font, fontSize: 14 }
		},
		tooltip: {
			trigger: 'axis',
			backgroundColor: look.sheet,
			borderColor: look.ink,
			textStyle: { color: look.ink, fontFamily: look.font },
			axisPointer: { lineStyle: { color: look.soft } },
			formatter: (points: { seriesName: string; value: [number, number] }[]) =>
				[
					clock(points[0]!.value[0]),
					...points.map(
						({ seriesName, value }) => `${escaped(seriesName)}: ${value[1].toFixed(1)} ${unit}`
					)
				].join('<br>')
		},
		xAxis: {
			...axis,
			type: 'time',
			min: whole.from,
			max: whole.to,
			axisLabel: {
				...axis.axisLabel,
				hideOverlap: true,
				formatter: {
					year: '{yyyy}',
					month: '{MMM} {yyyy}',
					day: '{d} {MMM}',
					hour: '{HH}:{mm}',
					minute: '{HH}:{mm}'
				}
			}
		},
		yAxis: { ...axis, type: 'value', name: unit, scale: false },
		dataZoom: [
			{ type: 'inside', startValue: shown.from, endValue: shown.to, filterMode: 'none' },
			{
				type: 'slider',
				startValue: shown.from,
				endValue: shown.to,
				filterMode: 'none',
				height: 34,
				bottom: 14,
				showDetail: false,
				showDataShadow: false,
				borderColor: look.line,
				fillerColor: look.line,
				handleSize: '110%',
				handleStyle: { color: look.accent, borderColor: look.accent },
				moveHandleSize: 10
			}
		],
		series: lines.map(({ label, at, mean }, i) => ({
			name: label,
			type: 'line',
			symbol: 'none',
			data: withGaps(at, mean),
			itemStyle: { color: colours[i % colours.length]! },
			lineStyle: {
				color: colours[i % colours.length]!,
				width: look.stroke * (i === 0 ? 1.6 : 1.1),
				type: DASHES[i % DASHES.length]!
			}
		}))
	};
}

/** Points with a break where some are missing: nobody knows what was in between. */
function withGaps(at: readonly number[], mean: readonly number[]): [number, number | null][] {
	const steps = at.slice(1).map((time, i) => time - at[i]!);
	const usual = steps.toSorted((a, b) => a - b)[steps.length >> 1] ?? Infinity;
	return at.flatMap((time, p): [number, number | null][] => {
		const before = at[p - 1];
		const broken = before !== undefined && time - before > GAP * usual;
		return broken
			? [
					[before + usual, null],
					[time, mean[p]!]
				]
			: [[time, mean[p]!]];
	});
}
