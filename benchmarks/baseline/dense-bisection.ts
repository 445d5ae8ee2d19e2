/** A section as the textbook has it: junction, shunt, series resistance, bypass diode. */
export interface PlainSection {
	readonly photocurrent: number;
	readonly saturationCurrent: number;
	readonly seriesResistance: number;
	readonly shuntResistance: number;
	readonly modifiedIdeality: number;
}

const BYPASS = { saturationCurrent: 5e-7, emission: 1.05 * 0.0256926 };
const HALVINGS = 50;

/** Volts of a section at a current: bisection on the junction voltage. */
function sectionVolts(section: PlainSection, amps: number): number {
	let low = -2;
	let high = 2 * section.modifiedIdeality * 30;
	let volts = 0;
	for (let i = 0; i < HALVINGS; i++) {
		const junction = (low + high) / 2;
		const cells =
			section.photocurrent -
			section.saturationCurrent * Math.expm1(junction / section.modifiedIdeality) -
			junction / section.shuntResistance;
		volts = junction - cells * section.seriesResistance;
		const bypass = BYPASS.saturationCurrent * Math.expm1(-volts / BYPASS.emission);
		if (cells + bypass > amps) low = junction;
		else high = junction;
	}
	return volts;
}

/**
 * A string's curve by the plain method: at every voltage the current is bisected, and for every current
 * tried every section is bisected too. Nothing is grouped, nothing remembered.
 */
export function denseCurve(
	sections: readonly PlainSection[],
	voltsAtMost: number,
	points: number
): Float64Array {
	const most = Math.max(...sections.map(({ photocurrent }) => photocurrent)) * 1.1;
	return Float64Array.from({ length: points }, (_, k) => {
		const wanted = (voltsAtMost * k) / (points - 1);
		let low = 0;
		let high = most;
		for (let i = 0; i < HALVINGS; i++) {
			const amps = (low + high) / 2;
			let volts = 0;
			for (const section of sections) volts += sectionVolts(section, amps);
			if (volts > wanted) low = amps;
			else high = amps;
		}
		return (low + high) / 2;
	});
}
