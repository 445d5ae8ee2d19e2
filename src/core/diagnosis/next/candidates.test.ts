import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../../tests/support/scenario';
import { placeKey, type Quantity, QUANTITY_FACTS, stateProblem } from '../../visit';
import { STRING_FAULT_CODES } from '../../faults';
import type { StringRecord } from '../../record';
import { candidatesAt } from './candidates';

const record = arrayRecord();
const type = record.moduleTypes[0]!;
const bare = record.strings[0]!;
const at = (codes: readonly string[], string: StringRecord = bare) =>
	candidatesAt(record, { string, type }, new Set(codes));
const count = (quantity: Quantity, codes: readonly string[], string = bare) =>
	at(codes, string).filter((one) => one.quantity === quantity).length;

describe('readings that could be taken at a string', () => {
	it('are of the whole string where nothing is in play', () => {
		const quantities = at([]).map(({ quantity }) => quantity);
		expect(quantities).toEqual([
			'open-circuit-voltage',
			'operating-current',
			'short-circuit-current',
			'module-count',
			'shade-seen',
			'cleaning-gain',
			'label-power',
			'fuse-resistance'
		]);
	});

	it('are each asked once, at a place of their kind and in a state in which they can be read', () => {
		const string: StringRecord = {
			...bare,
			blockingDiode: 'silicon',
			devices: { kind: 'rapid-shutdown', modulesPerDevice: 2, part: null }
		};
		const all = at(STRING_FAULT_CODES, string);
		const keys = all.map(({ place, quantity }) => placeKey(place, quantity));
		expect(new Set(keys).size).toBe(keys.length);
		for (const { place, quantity, state } of all) {
			expect(stateProblem(quantity, state)).toBeNull();
			expect(QUANTITY_FACTS[quantity].places).toContain(place.kind);
		}
	});

	it.each<[string, Quantity, number]>([
		// Both sides of the eleven joints between twelve modules.
		['module-open', 'stretch-voltage', 22],
		['module-degraded', 'stretch-step', 22],
		['connector-resistive', 'joint-rise', 13],
		['connector-open', 'joint-resistance', 13],
		['module-shorted', 'open-circuit-voltage', 13],
		['module-degraded', 'short-circuit-current', 13],
		['module-wrong-type', 'label-power', 13],
		['section-open', 'section-voltage', 36],
		['bypass-diode-shorted', 'diode-reverse', 36],
		['bypass-diode-open', 'cover-current', 36]
	])('for the sake of %s are %s at so many places: %d', (code, quantity, many) => {
		expect(count(quantity, [code])).toBe(many);
		expect(count(quantity, [])).toBeLessThan(many);
	});

	it('are taken at both poles to earth where a fault to earth is in play', () => {
		expect(count('positive-to-earth', ['earth-fault'])).toBe(1);
		expect(count('negative-to-earth', ['earth-fault'])).toBe(1);
		expect(count('positive-to-earth', [])).toBe(0);
	});

	it('are one for each device, not for each module behind it', () => {
		const string: StringRecord = {
			...bare,
			devices: { kind: 'rapid-shutdown', modulesPerDevice: 2, part: null }
		};
		expect(count('device-output', ['rsd-device-off'], string)).toBe(6);
		expect(count('device-output', ['rsd-device-off'])).toBe(0);
	});

	it('are of a fuse where there is one, and of a blocking diode where it is known', () => {
		expect(count('fuse-resistance', [], { ...bare, fuse: null })).toBe(0);
		expect(count('blocking-diode-forward', [])).toBe(0);
		expect(count('blocking-diode-forward', [], { ...bare, blockingDiode: 'schottky' })).toBe(1);
	});
});
