import type { EChartsCoreOption } from 'echarts/core';
import type { CurveComparison } from '$core/expectation';
import { voltAmpAxes } from './axes';
import type { Ink } from './ink';

const points = ({ volts: voltage, amps: current }: CurveComparison['measured']) =>
	Array.from(voltage, (v, i) => [v, current[i]!]);

/** A measured curve over the expected one: expected dashed, measured solid with its points, steps marked. */
export function curveOption(
	{ measured, expected, steps }: CurveComparison,
	look: Ink
): EChartsCoreOption {
	const mostVoltage = Math.max(...measured.volts, ...expected.volts);
	const mostCurrent = Math.max(...measured.amps, ...expected.amps);
	return {
		animation: false,
		...voltAmpAxes(look, mostVoltage, mostCurrent),
		series: [
			{
				type: 'line',
				silent: true,
				showSymbol: false,
				data: points(expected),
				lineStyle: { color: look.ink, width: look.stroke, type: [7, 5] }
			},
			{
				type: 'line',
				silent: true,
				symbolSize: measured.volts.length > 60 ? 0 : 6,
				data: points(measured),
				lineStyle: { color: look.accent, width: look.stroke * 2.2 },
				itemStyle: { color: look.accent },
				markLine: {
					silent: true,
					symbol: 'none',
					lineStyle: { color: look.off, width: look.stroke * 1.4, type: 'dashed' },
					label: { color: look.off, fontFamily: look.font, fontSize: 14, fontWeight: 600 },
					data: steps.map(({ voltage, substrings }) => ({
						xAxis: voltage,
						label: { formatter: `${substrings} ${substrings === 1 ? 'section' : 'sections'}` }
					}))
				}
			}
		]
	};
}
