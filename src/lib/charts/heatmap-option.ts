import type { EChartsCoreOption } from 'echarts/core';
import { escaped } from './escaped';
import type { Ink } from './ink';
import { AT_MONTHS } from './months';

/** Units by days. */
export interface TemperatureOfDays {
	readonly dates: readonly string[];
	/** From top to bottom. */
	readonly labels: readonly string[];
	/** By unit, by day; NaN where the day says nothing. */
	readonly shares: readonly Float64Array[];
}

/** Below this share of its peers a day is drawn in the full colour. */
const FULL = 0.5;

/** A field of days: the darker, the further a unit is behind its peers. */
export function heatmapOption(
	{ dates, labels, shares }: TemperatureOfDays,
	look: Ink
): EChartsCoreOption {
	const data = shares.flatMap((days, unit) =>
		Array.from(days, (share, day) => [
			day,
			unit,
			Number.isNaN(share) ? '-' : Number(share.toFixed(3))
		])
	);
	const label = { color: look.soft, fontFamily: look.font, fontSize: 13 };
	return {
		animation: false,
		grid: { left: 58, right: 8, top: 4, bottom: 24 },
		xAxis: {
			type: 'category',
			data: [...dates],
			axisLine: { lineStyle: { color: look.ink } },
			axisTick: { show: false },
			axisLabel: { ...label, ...AT_MONTHS }
		},
		yAxis: {
			type: 'category',
			data: [...labels],
			inverse: true,
			axisLine: { show: false },
			axisTick: { show: false },
			axisLabel: { ...label, interval: labels.length > 30 ? 'auto' : 0 }
		},
		visualMap: {
			show: false,
			min: FULL,
			max: 1,
			inRange: { color: [look.off, look.sheet] }
		},
		tooltip: {
			backgroundColor: look.sheet,
			borderColor: look.ink,
			textStyle: { color: look.ink, fontFamily: look.font },
			formatter: ({ value }: { value: [number, number, number | '-'] }) => {
				const [day, unit, share] = value;
				const said = share === '-' ? 'says nothing' : `${Math.round(100 * share)} % of its peers`;
				return `${escaped(labels[unit]!)}, ${dates[day]!}: ${said}`;
			}
		},
		series: [
			{
				type: 'heatmap',
				data,
				progressive: 0,
				itemStyle: { borderWidth: 0 },
				emphasis: { itemStyle: { borderColor: look.ink, borderWidth: 1 } }
			}
		]
	};
}
