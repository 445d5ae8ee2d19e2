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
