import type { Infrared, InfraredPattern } from './entry';

/*
 * How a temperature difference grows with current. A contact heats by I squared R and is cooled the
 * better the hotter it is: exponents of 1.6 to 1.8 are in use (IEC TS 62446-3, from memory); 1.6 is
 * taken. A cell, section or module that does not give its power turns a share of the light into heat,
 * and current follows light: 1 (judgement).
 */
const EXPONENT: Readonly<Record<InfraredPattern, number>> = {
	connector: 1.6,
	cell: 1,
	section: 1,
	module: 1,
	string: 1
};

/** Below this share of full current the scaled figure says little (common practice: 30 % of the load). */
const LEAST_SHARE = 0.3;

/** What an infrared picture says, scaled. */
export interface InfraredAnswer {
	/** At full current, K. */
	readonly scaled: number;
	readonly words: string;
	readonly formula: string;
	/** The current was too small for the scaling to be trusted. */
	readonly weak: boolean;
}

const MEANING: Readonly<Record<InfraredPattern, string>> = {
	cell: 'one cell: shaded, cracked or soiled; confirm by a cover test and the substring voltage',
	section:
		'a third of the module: its bypass diode conducts or is shorted, or the substring is open-circuit',
	module: 'the full module: it produces no power, so it or its string is open-circuit',
	string: 'all modules of the string: it is open, or its disconnect is off',
	connector: 'a connector: corroded, loose or of mixed makes; isolate before it is touched'
};

/** The difference at full current, in K, with its pattern's meaning. */
export function scaleInfrared({
	pattern,
	difference,
	amps: current,
	fullAmps: fullCurrent
}: Infrared): InfraredAnswer {
	const share = current / fullCurrent;
	const exponent = EXPONENT[pattern];
	const scaled = difference * (1 / share) ** exponent;
	const weak = share < LEAST_SHARE;
	return {
		scaled,
		weak,
		words: `${scaled.toFixed(0)} K at ${fullCurrent} A. The pattern is of ${MEANING[pattern]}.${weak ? ` Taken at ${(100 * share).toFixed(0)} % of full current: too little to scale with trust, take it again under load.` : ''}`,
		formula: `${difference} K x (${fullCurrent} A / ${current} A)^${exponent}`
	};
}
