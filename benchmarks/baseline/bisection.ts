import type { SingleDiode } from '$core/module';

/** Current at a voltage as a textbook would have it: bisection on the current, to 1e-12 A. */
export function currentByBisection(diode: SingleDiode, voltage: number): number {
	const residual = (current: number) => {
		const vd = voltage + current * diode.seriesResistance;
		return (
			diode.photocurrent -
			diode.saturationCurrent * (Math.exp(vd / diode.modifiedIdeality) - 1) -
			vd / diode.shuntResistance -
			current
		);
	};
	let low = -100;
	let high = diode.photocurrent + 1;
	while (high - low > 1e-12) {
		const middle = (low + high) / 2;
		if (middle === low || middle === high) break;
		if (residual(middle) > 0) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}
