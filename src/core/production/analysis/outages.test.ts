import { describe, expect, it } from 'vitest';
import { dayShares, plainDays, plainUnit } from '../../../../tests/support/plain-days';
import { outagesOf } from './outages';

const DAYS = 120;
const days = plainDays(DAYS);
const dateOf = (day: number) => days[day]!.date;
const outages = (isOut: (day: number) => boolean) =>
	outagesOf(days, plainUnit('x', 1), {
		...dayShares(Array.from({ length: DAYS }, (_, day) => (isOut(day) ? 0 : 1))),
		usual: 1,
		noise: 0.01
	});

describe('a unit that stops', () => {
	it('again and again is one event with its outages and its days, not many', () => {
		const [event, ...more] = outages((day) => day >= 20 && day % 10 < 3);
		expect(more).toEqual([]);
		expect(event).toMatchObject({
			kind: 'intermittent',
			since: dateOf(20),
			until: null,
			outages: 10,
			days: 30
		});
		// Of the 93 days from the first outage to the last, 30 of 2 kWh each.
		expect(event!.lost).toBeCloseTo(60, 0);
		expect(event!.level).toBeCloseTo(1 - 30 / 93, 2);
		expect(event!.lostBand.low).toBeLessThan(60);
		expect(event!.lostBand.high).toBeGreaterThan(60);
	});

	it('again and again, and then for good, is both', () => {
		const events = outages((day) => (day < 60 ? day % 10 < 2 : day >= 90));
		expect(events.map(({ kind, until }) => [kind, until === null])).toEqual([
			['dead', true],
			['intermittent', false]
		]);
	});

	it('twice is two outages, each with its days', () => {
		const events = outages((day) => (day >= 10 && day < 14) || (day >= 50 && day < 53));
		expect(events.map(({ kind, since, until }) => [kind, since, until])).toEqual([
			['dead', dateOf(10), dateOf(13)],
			['dead', dateOf(50), dateOf(52)]
		]);
	});
});
