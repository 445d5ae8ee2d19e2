import type { EChartsCoreOption } from 'echarts/core';
import { type Corrected, type Degradation, yearsSince } from '$core/monitoring';
import { axisOf } from './axes';
import type { Ink } from './ink';

/** Years of the line beyond the last measurement. */
const AHEAD = 5;

/** Share of nameplate power on benchmark days over the years, with its line, its band and the limit. */
export function degradationOption(
	readings: readonly Corrected[],
	degradation: Degradation | null,
	limit: number,
	look: Ink
): EChartsCoreOption {
	const axis = axisOf(look);
	const sorted = [...readings].sort((a, b) => (a.date < b.date ? -1 : 1));
	const first = sorted[0]!.date;
	const begin = Number(first.slice(0, 4)) + yearsSince(`${first.slice(0, 4)}-01-01`, first);
	const x = (date: string) => begin + yearsSince(first, date);
	const last = x(sorted.at(-1)!.date);
	const line = (slope: number, type: string, width: number) => ({
		type: 'line',
		silent: true,
		showSymbol: false,
		data: [begin, last + AHEAD].map((year) => [year, degradation!.first + slope * (year - begin)]),
		lineStyle: { color: look.ink, type, width }
	});
	return {
		animation: false,
		grid: { left: 58, right: 24, top: 30, bottom: 30 },
		xAxis: {
			...axis,
			type: 'value',
			min: Math.floor(begin),
			max: Math.ceil(last + AHEAD),
			minInterval: 1,
			axisLabel: { ...axis.axisLabel, formatter: (year: number) => String(year) }
		},
		yAxis: {
			...axis,
			type: 'value',
			min: (least: { min: number }) => Math.floor(20 * Math.min(least.min, limit) - 1) / 20,
			max: 1.1,
			axisLabel: {
				...axis.axisLabel,
				formatter: (share: number) => `${Math.round(100 * share)} %`
			}
		},
		series: [
			{
				type: 'scatter',
				silent: true,
				symbolSize: 11,
				data: sorted.map(({ date, share }) => [x(date), share]),
				itemStyle: { color: look.accent },
				markLine: {
					silent: true,
					symbol: 'none',
					data: [{ yAxis: limit }],
					lineStyle: { color: look.off, width: look.stroke * 1.4 },
					label: {
						formatter: 'limit',
						position: 'insideStartTop',
						color: look.off,
						fontFamily: look.font,
						fontSize: 14
					}
				}
			},
			...(degradation
				? [
						line(degradation.perYear, 'solid', look.stroke * 1.6),
						line(degradation.low, 'dashed', look.stroke),
						line(degradation.high, 'dashed', look.stroke)
					]
				: [])
		]
	};
}
