import type { EChartsCoreOption } from 'echarts/core';
import type { PlainCurve, Study } from '$core/faults';
import { above, roundStep, voltAmpAxes } from './axes';
import type { Ink } from './ink';

/** A reading of the visit, drawn where it lies. */
export interface DrawnReading {
	readonly words: string;
	readonly voltage: number;
	readonly current: number;
}

const points = ({ voltage, current }: PlainCurve, least: number) =>
	voltage.flatMap((v, i) => (current[i]! >= least ? [[v, current[i]!]] : []));

/**
 * The chart of one string as ECharts takes it: as recorded dashed, now solid, readings as crosses, the
 * operating point as a ring. Axes follow what is recorded, so that the picture stays still under the hand.
 */
export function stringOption(
	study: Study,
	readings: readonly DrawnReading[],
	look: Ink
): EChartsCoreOption {
	const { expected, now, shown, whole, maxima } = study;
	const mostCurrent = Math.max(
		...expected.current,
		...readings.map(({ current }) => current),
		shown.isc,
		0.1
	);
	const fed = Math.min(0, shown.current, whole.current);
	const ampStep = roundStep(mostCurrent);
	const least = fed < -0.02 * mostCurrent ? -above(-fed * 1.15, ampStep) : 0;
	const mostVoltage = Math.max(
		whole.voc,
		shown.voc,
		shown.voltage,
		...readings.map(({ voltage }) => voltage),
		1
	);
	const label = (formatter: string, color: string) => ({
		show: true,
		formatter,
		color,
		fontFamily: look.font,
		fontSize: 14,
		fontWeight: 600
	});
	return {
		animation: false,
		...voltAmpAxes(look, mostVoltage, mostCurrent, least),
		series: [
			{
				type: 'line',
				silent: true,
				showSymbol: false,
				data: points(expected, least),
				lineStyle: { color: look.ink, width: look.stroke, type: [7, 5] }
			},
			{
				type: 'line',
				silent: true,
				showSymbol: false,
				data: points(now, least),
				lineStyle: { color: look.accent, width: look.stroke * 2.2 }
			},
			{
				type: 'scatter',
				silent: true,
				symbol: 'circle',
				symbolSize: 7,
				itemStyle: { color: look.accent },
				data: maxima.slice(0, 4).map(({ volts: voltage, amps: current }) => [voltage, current])
			},
			{
				type: 'scatter',
				silent: true,
				symbol: 'path://M0 0L10 10M10 0L0 10',
				symbolSize: 15,
				itemStyle: { color: 'transparent', borderColor: look.off, borderWidth: look.stroke * 1.6 },
				data: readings.map(({ words, voltage, current }) => ({
					value: [voltage, current],
					// Where no curve runs: left above on the volts' axis, right above elsewhere.
					label: {
						...label(words, look.off),
						position: current === 0 ? ('left' as const) : ('right' as const),
						offset: current === 0 ? [0, -15] : [-4, -15]
					}
				})),
				z: 4
			},
			{
				type: 'scatter',
				silent: true,
				symbol: 'circle',
				symbolSize: 19,
				itemStyle: { color: 'transparent', borderColor: look.ink, borderWidth: look.stroke * 1.8 },
				data: [[shown.voltage, shown.current]],
				z: 5
			}
		]
	};
}
