/** A section as the textbook has it: junction, shunt, series resistance, bypass diode. */
export interface PlainSubstring {
	readonly photocurrent: number;
	readonly saturationCurrent: number;
	readonly seriesResistance: number;
	readonly shuntResistance: number;
	readonly modifiedIdeality: number;
}

const BYPASS = { saturationCurrent: 5e-7, emission: 1.05 * 0.0256926 };
const HALVINGS = 50;

/** Volts of a section at a current: bisection on the junction voltage. */
function substringVoltage(substring: PlainSubstring, current: number): number {
	let low = -2;
	let high = 2 * substring.modifiedIdeality * 30;
	let voltage = 0;
	for (let i = 0; i < HALVINGS; i++) {
		const junction = (low + high) / 2;
		const cells =
			substring.photocurrent -
			substring.saturationCurrent * Math.expm1(junction / substring.modifiedIdeality) -
			junction / substring.shuntResistance;
		voltage = junction - cells * substring.seriesResistance;
		const bypass = BYPASS.saturationCurrent * Math.expm1(-voltage / BYPASS.emission);
		if (cells + bypass > current) low = junction;
		else high = junction;
	}
	return voltage;
}

/**
 * A string's curve by the plain method: at every voltage the current is bisected, and for every current
 * tried every section is bisected too. Nothing is grouped, nothing remembered.
 */
export function denseCurve(
	substrings: readonly PlainSubstring[],
	voltageAtMost: number,
	points: number
): Float64Array {
	const most = Math.max(...substrings.map(({ photocurrent }) => photocurrent)) * 1.1;
	return Float64Array.from({ length: points }, (_, k) => {
		const wanted = (voltageAtMost * k) / (points - 1);
		let low = 0;
		let high = most;
		for (let i = 0; i < HALVINGS; i++) {
			const current = (low + high) / 2;
			let voltage = 0;
			for (const substring of substrings) voltage += substringVoltage(substring, current);
			if (voltage > wanted) low = current;
			else high = current;
		}
		return (low + high) / 2;
	});
}
