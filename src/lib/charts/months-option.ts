import type { EChartsCoreOption } from 'echarts/core';
import type { MonthOfYield } from '$core/monitoring';
import { axisOf } from './axes';
import type { Ink } from './ink';
import { MONTHS } from './months';

/** What was made as bars, what was expected on the same days as a line across each. */
export function monthsOption(months: readonly MonthOfYield[], look: Ink): EChartsCoreOption {
	const axis = axisOf(look);
	const some = months.filter(({ made }) => made !== null);
	return {
		animation: false,
		grid: { left: 66, right: 16, top: 34, bottom: 30 },
		xAxis: {
			...axis,
			type: 'category',
			data: some.map(({ month }) => MONTHS[month]!),
			splitLine: { show: false }
		},
		yAxis: { ...axis, type: 'value', name: 'kWh' },
		series: [
			{
				type: 'bar',
				silent: true,
				barWidth: '56%',
				data: some.map(({ made }) => made),
				itemStyle: { color: look.accent }
			},
			{
				type: 'scatter',
				silent: true,
				symbol: 'rect',
				symbolSize: [44, 4],
				data: some.map(({ expected }) => expected),
				itemStyle: { color: look.ink }
			}
		]
	};
}
