import type { Ink } from './ink';

/** A round step of about a sixth of a span. */
export function roundStep(span: number): number {
	const rough = span / 6;
	const decade = 10 ** Math.floor(Math.log10(rough));
	return decade * ([1, 2, 5, 10].find((factor) => factor * decade >= rough) ?? 10);
}

/** The next multiple of a step. */
export const above = (value: number, step: number) => Math.ceil(value / step) * step;

/** What every axis looks like. */
export function axisOf(look: Ink) {
	return {
		nameLocation: 'end',
		nameTextStyle: { color: look.soft, fontFamily: look.font, fontSize: 15 },
		axisLabel: { color: look.soft, fontFamily: look.font, fontSize: 14 },
		axisLine: { show: true, onZero: true, lineStyle: { color: look.ink, width: look.stroke } },
		axisTick: { lineStyle: { color: look.ink } },
		splitLine: { lineStyle: { color: look.line, width: 0.6 } }
	};
}

/** Grid and axes of a plot of amps over volts, with a little room past the most of either. */
export function voltAmpAxes(look: Ink, mostVoltage: number, mostCurrent: number, leastCurrent = 0) {
	const axis = axisOf(look);
	const voltStep = roundStep(mostVoltage);
	const ampStep = roundStep(mostCurrent);
	return {
		grid: { left: 44, right: 26, top: 34, bottom: 32 },
		xAxis: {
			...axis,
			type: 'value',
			name: 'V',
			min: 0,
			max: above(mostVoltage * 1.02, voltStep),
			interval: voltStep
		},
		yAxis: {
			...axis,
			type: 'value',
			name: 'A',
			min: leastCurrent,
			max: above(mostCurrent * 1.06, ampStep),
			interval: ampStep
		}
	} as const;
}
