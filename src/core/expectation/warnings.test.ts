import { placeAt } from '../../../tests/support/places';
import { judgeByModel, expectedAt } from '../assessment';
import { effectiveVisit, type Visit } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, visitOf } from '../../../tests/support/scenario';

const record = arrayRecord();
const warnings = (visit: Visit, array = record) =>
	judgeByModel(array, effectiveVisit(array, visit)).warnings;
const typed = (quantity: string, value: (i: number) => number) =>
	Object.fromEntries(record.strings.map((s, i) => [`${s.label} ${quantity}`, value(i)]));

describe('what stands in the way of a visit', () => {
	it('is nothing on a good day', () => {
		expect(warnings(visitOf({ record, normal: normalFrom(4) }))).toEqual([]);
	});

	it('is a low sun, and an unknown age', () => {
		expect(warnings(visitOf({ record, irradiance: 120 }))[0]).toMatch(
			/At 120 W\/m² the irradiance is too low/
		);
		const ageless = { ...record, inServiceSince: null };
		expect(warnings(visitOf({ record }), ageless)[0]).toMatch(/Year of commissioning unknown/);
	});

	it('is light that moves between the readings, and the bands are wider for it', () => {
		const steady = visitOf({ record });
		const cloudy: Visit = {
			...steady,
			readings: steady.readings.map((reading, i) =>
				reading.quantity === 'operating-current'
					? { ...reading, value: reading.value * [1, 0.94, 1.05, 0.97][i % 4]! }
					: reading
			)
		};
		expect(warnings(cloudy).join()).toMatch(/scatter by \d %.*irradiance was unsteady/);
		const width = (visit: Visit) =>
			expectedAt(
				placeAt(
					judgeByModel(record, effectiveVisit(record, visit)).places,
					record.strings[0]!.id,
					'operating-current'
				)
			)!.standardUncertainty;
		expect(width(cloudy)).toBeGreaterThan(1.5 * width(steady));
		// Volts hardly follow light, so sections are counted as well as ever.
		const lost = visitOf({ record, faults: { A2: { code: 'bypass-diode-shorted' } } });
		const both: Visit = {
			...lost,
			readings: lost.readings.map((reading, i) => ({
				...reading,
				value: reading.quantity === 'operating-current' ? cloudy.readings[i]!.value : reading.value
			}))
		};
		const place = judgeByModel(record, effectiveVisit(record, both)).places.find(
			({ stringId }) => stringId === record.strings[1]!.id
		);
		expect(place).toMatchObject({ verdict: 'fail', counted: { substrings: 1 } });
	});

	it('is an array without a live string: what they share comes before the strings', () => {
		const dead = visitOf({ record, typed: typed('open-circuit-voltage', (i) => 7 + 0.1 * i) });
		expect(warnings(dead).join()).toMatch(/No string that was read has voltage/);
		const off = visitOf({ record, typed: typed('operating-current', (i) => 0.02 * i) });
		expect(warnings(off).join()).toMatch(/No string that was read carries current.*inverter/);
		// One live string, and it is no longer what they share.
		const one = visitOf({ record, typed: typed('operating-current', (i) => (i === 3 ? 8 : 0)) });
		expect(warnings(one).join()).not.toMatch(/No string/);
	});
});

describe('dead and reversed strings', () => {
	it('tell nothing of light and heat', () => {
		const dead = visitOf({ record, typed: typed('open-circuit-voltage', () => 7) });
		const reversed = visitOf({ record, typed: typed('open-circuit-voltage', () => -455) });
		for (const visit of [dead, reversed]) {
			const [group] = judgeByModel(record, effectiveVisit(record, visit)).groups;
			expect(group!.verdict).toBe('pass');
			expect(Math.abs(group!.cellTemperature.kelvin)).toBeLessThan(1);
		}
		const nothing = visitOf({
			record,
			quantities: ['open-circuit-voltage'],
			typed: typed('open-circuit-voltage', () => 0)
		});
		expect(judgeByModel(record, effectiveVisit(record, nothing)).groups[0]).toMatchObject({
			verdict: null,
			words: expect.stringContaining('No producing string')
		});
	});
});
