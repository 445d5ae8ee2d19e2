import type { FitNameplate } from './nameplate';
import { DEFAULT_TECHNOLOGY, TECHNOLOGY_FACTS } from './technology';

/** Units in which labels state the coefficient of Isc. */
export const ALPHA_UNITS = ['%/K', 'A/K', 'mA/K'] as const;
/** Units in which labels state the coefficient of Voc. */
export const BETA_UNITS = ['%/K', 'V/K', 'mV/K'] as const;

export type AlphaUnit = (typeof ALPHA_UNITS)[number];
export type BetaUnit = (typeof BETA_UNITS)[number];

const PER_UNIT: Readonly<Record<AlphaUnit | BetaUnit, number>> = {
	'%/K': 1,
	'A/K': 1,
	'mA/K': 1e-3,
	'V/K': 1,
	'mV/K': 1e-3
};

/**
 * A temperature coefficient in %/K of its own quantity, whatever unit the label uses.
 *
 * @param value as on the label
 * @param unit as on the label
 * @param quantity Isc in A or Voc in V at standard test conditions
 */
export function relativeCoefficient(
	value: number,
	unit: AlphaUnit | BetaUnit,
	quantity: number
): number {
	return unit === '%/K' ? value : (100 * value * PER_UNIT[unit]) / quantity;
}

/** The coefficients a label is fitted with. */
export interface Coefficients {
	readonly alphaIscPctPerK: number;
	readonly betaVocPctPerK: number;
	/** In words, what is not on the label and was taken instead; empty where all is stated. */
	readonly notes: readonly string[];
}

/** The label's own coefficients, or the typical ones of its technology where it states none. */
export function coefficientsOf(
	nameplate: Pick<FitNameplate, 'technology' | 'alphaIscPctPerK' | 'betaVocPctPerK'>
): Coefficients {
	const { words, typical } = TECHNOLOGY_FACTS[nameplate.technology ?? DEFAULT_TECHNOLOGY];
	const notes: string[] = [];
	const orTypical = (stated: number | null | undefined, usual: number, quantity: string) => {
		if (stated !== null && stated !== undefined) return stated;
		notes.push(
			`The label states no temperature coefficient of ${quantity}: ${usual} %/K, typical of ${words}, is taken.`
		);
		return usual;
	};
	return {
		alphaIscPctPerK: orTypical(nameplate.alphaIscPctPerK, typical.alphaIscPctPerK, 'Isc'),
		betaVocPctPerK: orTypical(nameplate.betaVocPctPerK, typical.betaVocPctPerK, 'Voc'),
		notes
	};
}
