import type { Reading } from '../visit';
import { DIODE_OVER_RANGE, weighedValue } from '../expectation';
import type { Predicted } from './evidence';

/** A diode tester's figure where nothing conducts. */
export const OVER_RANGE = DIODE_OVER_RANGE;
/** Ohms on the logarithmic scale: contacts of a whole fuse, a pole or a joint, and an open one. */
export const CLOSED_RESISTANCE = { value: Math.log10(0.15), sigma: 0.35, scale: 6 };
export const OPEN_RESISTANCE = { value: 7, sigma: 1.2, scale: 6 };

/** What a figure is predicted to be. */
export const figure = (value: number, sigma: number, scale: number): Predicted => ({
	value,
	sigma,
	scale
});

/** Ohms as they are weighed: open lines show up to nine nines, contacts tenths. */
export function onScale(reading: Pick<Reading, 'quantity' | 'value' | 'overRange'>): number {
	const { quantity } = reading;
	const value = weighedValue(reading);
	switch (quantity) {
		case 'fuse-resistance':
		case 'pole-resistance':
		case 'joint-resistance':
			return Math.log10(Math.min(Math.max(value, 0.05), 1e9));
		case 'insulation-resistance':
		case 'insulation-wet':
			return Math.log10(Math.min(Math.max(value, 1e-3), 1e4));
		default:
			return value;
	}
}

/** A figure on its scale as the meter shows it; see {@link onScale}. */
export function offScale(quantity: Reading['quantity'], value: number): number {
	return onScale({ quantity, value: 10 }) === 1 ? 10 ** value : value;
}
