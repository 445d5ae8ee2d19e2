import { effectiveVisit, findCurrentReadings, keyOf, type Visit } from '../visit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, testId, visitOf } from '../../../tests/support/scenario';
import { judged, placeAt } from '../../../tests/support/places';
import { judgeByModel } from './judge-by-model';
import { expectedAt, reasonAt, verdictAt } from './place-result';
import { thresholds } from './verdict';

const record = arrayRecord();
const placeOf = (
	visit: Visit,
	label: string,
	quantity: 'open-circuit-voltage' | 'operating-current' = 'open-circuit-voltage',
	array = record
) => {
	const string = array.strings.find((candidate) => candidate.label === label)!;
	return placeAt(judgeByModel(array, effectiveVisit(array, visit)).places, string.id, quantity);
};

describe('expected values and verdicts', () => {
	it('calls a lost section a section and a missing module a module', () => {
		const visit = visitOf({
			record,
			faults: { A2: { code: 'bypass-diode-shorted' }, A4: { code: 'module-missing' } }
		});
		expect(placeOf(visit, 'A1')).toMatchObject({ verdict: 'pass', counted: { substrings: 0 } });
		expect(placeOf(visit, 'A2')).toMatchObject({
			verdict: 'fail',
			counted: { substrings: 1, words: 'about one substring short' }
		});
		expect(placeOf(visit, 'A4')).toMatchObject({
			verdict: 'fail',
			counted: { substrings: 3, words: 'about one module short' }
		});
	});

	it('knows a string from its comparable strings far better than from the sensor', () => {
		const { expected } = judged(placeOf(visitOf({ record }), 'A1'));
		expect(expected.peers).toBe(15);
		expect(expected.standardUncertainty).toBeLessThan(
			0.6 * expected.fromConditions.standardUncertainty
		);
	});

	it('blames the conditions, not the strings, when all lie alike', () => {
		const visit = visitOf({ record, irradianceFactor: 0.72 });
		const { places, groups } = judgeByModel(record, effectiveVisit(record, visit));
		expect(places.filter((place) => verdictAt(place) === 'fail')).toEqual([]);
		expect(groups[0]).toMatchObject({
			verdict: 'fail',
			words: expect.stringContaining('low on all strings alike')
		});
		expect(groups[0]!.irradiance.relative).toBeCloseTo(-0.28, 1);
		const warm = judgeByModel(
			record,
			effectiveVisit(record, visitOf({ record, temperatureShift: 22 }))
		).groups[0]!;
		expect(warm.words).toContain('warmer than stated');
	});

	it('says polarity and no volts in words', () => {
		const visit = visitOf({
			record,
			faults: { A1: { code: 'connector-reversed' }, B2: { code: 'connector-open' } }
		});
		expect(judged(placeOf(visit, 'A1')).counted!.words).toBe(
			'polarity reversed, magnitude correct'
		);
		expect(judged(placeOf(visit, 'B2')).counted!.words).toBe('no voltage: open circuit');
	});

	it('has no basis without conditions or without the volts of the current, and says what is missing', () => {
		const visit = visitOf({ record });
		const none = placeOf({ ...visit, conditions: [] }, 'A1');
		expect(none).toMatchObject({
			state: 'not-assessed',
			reason: expect.stringContaining('Irradiance')
		});
		const unread = placeOf({ ...visit, readings: [] }, 'A1', 'operating-current');
		expect(verdictAt(unread)).toBeNull();
		expect(reasonAt(unread)).toContain('operating voltage');
	});

	it('uses the bus volts of a comparable string of the same input before a current is typed', () => {
		const visit = visitOf({ record });
		const first = visit.readings.find((reading) => reading.quantity === 'operating-current')!;
		const one = { ...visit, readings: [first] };
		expect(expectedAt(placeOf(one, 'A2', 'operating-current'))!.value).toBeCloseTo(first.value, 0);
		expect(expectedAt(placeOf(one, 'B1', 'operating-current'))).toBeNull();
	});

	it('shows an off in at most 2 % of healthy visits, whatever the number of readings', () => {
		for (const labels of [
			['A1', 'A2', 'A3'],
			undefined,
			Array.from({ length: 24 }, (_, i) => `A${i}`)
		]) {
			const array = arrayRecord(labels);
			const VISITS = 150;
			let alarmed = 0;
			for (let seed = 1; seed <= VISITS; seed++) {
				const { places } = judgeByModel(
					array,
					effectiveVisit(array, visitOf({ record: array, normal: normalFrom(seed * 7919) }))
				);
				if (places.some((place) => verdictAt(place) === 'fail')) alarmed++;
			}
			// 2 % of 150 is 3; chance of more than 8 at a true rate of 2 % is below 1 in 250.
			expect(alarmed).toBeLessThanOrEqual(8);
		}
	}, 60_000);
});

describe('thresholds', () => {
	it('rise with the number of readings, and are stricter above the expected value than below', () => {
		// Of one reading 85 % of the share of false alarms lies below: the normal quantiles of 3.4 and 12.75 %.
		expect(thresholds(1).fail).toBeCloseTo(1.825, 3);
		expect(thresholds(1).marginal).toBeCloseTo(1.138, 3);
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 2000 }), (judged) => {
				const { marginal, fail, above } = thresholds(judged);
				expect(fail).toBeGreaterThan(marginal);
				expect(above.fail).toBeGreaterThan(fail);
				expect(above.marginal).toBeGreaterThan(marginal);
				expect(thresholds(judged + 1).fail).toBeGreaterThan(fail);
			})
		);
	});
});

describe('readings that stand', () => {
	it('a correction replaces, an undo brings back', () => {
		const [first] = visitOf({ record }).readings;
		const second = { ...first!, id: testId(9000), value: 1, supersedes: first!.id };
		const visit = { readings: [first!, second], withdrawals: [] };
		const key = keyOf(first!);
		expect(findCurrentReadings(visit).get(key)).toBe(second);
		const undo = { id: testId(9001), readingId: second.id, at: '', by: '' };
		expect(findCurrentReadings({ ...visit, withdrawals: [undo] }).get(key)).toBe(first);
	});
});
