import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseQuantity } from './typed-quantity';

describe('a figure with its unit', () => {
	it.each([
		['453,2 V', 'V', 453.2],
		['453.2V', 'V', 453.2],
		['30 mV', 'V', 0.03],
		['1.2 kV', 'V', 1200],
		['−12 V DC', 'V', -12],
		['4.7 MΩ', 'Mohm', 4.7],
		['4700 kΩ', 'Mohm', 4.7],
		['0.55 GΩ', 'Mohm', 550],
		['1.2 kohm', 'ohm', 1200],
		['0.2 Ohms', 'ohm', 0.2],
		['340 mA', 'A', 0.34],
		['8 amps', 'A', 8],
		['812 W/m2', 'W/m²', 812],
		['0.812 kW/m²', 'W/m²', 812],
		['24 °C', '°C', 24],
		['12 K', 'K', 12],
		['3.4 kW', 'W', 3400],
		['620 mm', 'm', 0.62],
		['0.62 m', 'mm', 620],
		['1.5 %', '%', 1.5],
		['6 mm²', 'mm²', 6],
		['12', 'V', 12],
		['7', '', 7]
	])('%s in %s is %f', (typed, unit, value) => {
		expect(parseQuantity(typed, unit)).toEqual({ ok: true, value: expect.closeTo(value, 9) });
	});

	it.each([
		['12 A', 'V'],
		['12 apples', 'V'],
		['12 V', ''],
		['4.7 mV', 'K'],
		['1e5', 'V'],
		['1,234.5 V', 'V'],
		['', 'V'],
		['V', 'V']
	])('%s is refused in %s', (typed, unit) => {
		expect(parseQuantity(typed, unit).ok).toBe(false);
	});

	it('is the same figure with its unit as without', () => {
		fc.assert(
			fc.property(
				fc
					.double({ min: -999, max: 999, noNaN: true })
					.map((value) => (Math.abs(value) + 0.01).toFixed(2)),
				fc.constantFrom('V', 'A', 'ohm', 'Mohm', 'W', 'W/m²', '°C', 'K', '%'),
				(typed, unit) => {
					const bare = parseQuantity(typed, unit);
					expect(parseQuantity(`${typed} ${unit}`, unit)).toEqual(bare);
				}
			)
		);
	});
});
