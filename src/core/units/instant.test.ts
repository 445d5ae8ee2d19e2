import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dateOfMillis, dayNumber, instantOf, millisOf, millisOfClock } from './instant';

describe('an instant that somebody wrote', () => {
	it.each([
		['2026-06-30T12:00:00Z', '2026-06-30T12:00:00.000Z'],
		['2026-06-30T12:00:00+02:00', '2026-06-30T10:00:00.000Z'],
		['2026-06-30 12:00', '2026-06-30T12:00:00.000Z'],
		['2026-06-30T12:00:00-0530', '2026-06-30T17:30:00.000Z'],
		['  2026-06-30T12:00:00z ', '2026-06-30T12:00:00.000Z'],
		['2026-06-30', '2026-06-30T00:00:00.000Z']
	])('%s is stored as %s', (typed, stored) => {
		expect(instantOf(typed)).toBe(stored);
	});

	it.each(['', 'yesterday', '2026-13-40', '30.06.2026 12:00', '12:00'])('%s is none', (typed) => {
		expect(instantOf(typed)).toBeNull();
	});

	it('is the same when it is stored again', () => {
		fc.assert(
			fc.property(fc.date({ noInvalidDate: true }), (date) => {
				const stored = instantOf(date.toISOString());
				fc.pre(date.getUTCFullYear() > 0 && date.getUTCFullYear() < 9999);
				expect(stored).toBe(date.toISOString());
				expect(millisOf(stored!)).toBe(date.getTime());
			})
		);
	});
});

describe('days', () => {
	it('count from 1970, over leap years', () => {
		expect(dayNumber('1970-01-01')).toBe(0);
		expect(dayNumber('1970-12-31')).toBe(364);
		expect(dayNumber('2024-03-01') - dayNumber('2024-02-28')).toBe(2);
		expect(dayNumber('2026-03-01') - dayNumber('2026-02-28')).toBe(1);
	});

	it('and dates lead to one another', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 40_000 }), (day) => {
				expect(dayNumber(dateOfMillis(day * 86_400_000))).toBe(day);
			})
		);
	});

	it('begin where a calendar says, the month from one', () => {
		expect(millisOfClock(2026, 1, 2)).toBe(dayNumber('2026-01-02') * 86_400_000);
		expect(millisOfClock(2026, 6, 30, 12, 30, 15)).toBe(millisOf('2026-06-30T12:30:15Z'));
	});
});
