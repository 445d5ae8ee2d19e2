import type { EChartsCoreOption } from 'echarts/core';
import type { CurveComparison } from '$core/expectation/measured-curve';
import { above, axisOf, roundStep } from './axes';
import type { Ink } from './ink';

const points = ({ volts, amps }: CurveComparison['measured']) =>
	Array.from(volts, (v, i) => [v, amps[i]!]);

/** A measured curve over the expected one: expected dashed, measured solid with its points, steps marked. */
export function curveOption(
	{ measured, expected, steps }: CurveComparison,
	look: Ink
): EChartsCoreOption {
	const mostVolts = Math.max(...measured.volts, ...expected.volts);
	const mostAmps = Math.max(...measured.amps, ...expected.amps);
	const voltStep = roundStep(mostVolts);
	const ampStep = roundStep(mostAmps);
	const axis = axisOf(look);
	return {
		animation: false,
		grid: { left: 44, right: 26, top: 34, bottom: 32 },
		xAxis: {
			...axis,
			type: 'value',
			name: 'V',
			min: 0,
			max: above(mostVolts * 1.02, voltStep),
			interval: voltStep
		},
		yAxis: {
			...axis,
			type: 'value',
			name: 'A',
			min: 0,
			max: above(mostAmps * 1.06, ampStep),
			interval: ampStep
		},
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
					data: steps.map(({ volts, sections }) => ({
						xAxis: volts,
						label: { formatter: `${sections} ${sections === 1 ? 'section' : 'sections'}` }
					}))
				}
			}
		]
	};
}
