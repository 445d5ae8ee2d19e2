import type { EChartsCoreOption } from 'echarts/core';
import { axisOf } from './axes';
import type { Ink } from './ink';
import { AT_MONTHS } from './months';

/** One unit's share of its peers by day, and the days on which something happened to it. */
export interface ShareOfDays {
	readonly dates: readonly string[];
	readonly shares: Float64Array;
	readonly marks: readonly { readonly date: string; readonly words: string }[];
}

export function shareOption({ dates, shares, marks }: ShareOfDays, look: Ink): EChartsCoreOption {
	const axis = axisOf(look);
	const words = { color: look.ink, fontFamily: look.font, fontSize: 14, fontWeight: 600 };
	return {
		animation: false,
		grid: { left: 54, right: 20, top: 34, bottom: 30 },
		xAxis: {
			...axis,
			type: 'category',
			data: [...dates],
			axisLabel: { ...axis.axisLabel, ...AT_MONTHS },
			axisTick: { show: false },
			splitLine: { show: false }
		},
		yAxis: {
			...axis,
			type: 'value',
			min: 0,
			max: (most: { max: number }) => Math.max(1.2, Math.ceil(10 * most.max) / 10),
			interval: 0.2,
			axisLabel: {
				...axis.axisLabel,
				formatter: (share: number) => `${Math.round(100 * share)} %`
			}
		},
		series: [
			{
				type: 'scatter',
				symbolSize: 5,
				silent: true,
				data: Array.from(shares, (share) => (Number.isNaN(share) ? '-' : share)),
				itemStyle: { color: look.accent },
				markLine: {
					silent: true,
					symbol: 'none',
					data: [
						{ yAxis: 1, lineStyle: { color: look.ink, type: 'dashed' }, label: { show: false } },
						...marks.map((mark) => ({
							xAxis: mark.date,
							lineStyle: { color: look.off, width: 2 * look.stroke },
							label: { formatter: mark.words, ...words, color: look.off }
						}))
					]
				}
			}
		]
	};
}
