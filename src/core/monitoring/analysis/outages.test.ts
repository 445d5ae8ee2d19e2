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

	it('in the middle of some days is one event too, and takes what those days lost', () => {
		const isStop = (day: number) => day >= 20 && day % 7 === 0;
		const events = outagesOf(days, plainUnit('x', 1), {
			...dayShares(
				Array.from({ length: DAYS }, (_, day) => (isStop(day) ? 0.4 : 1)),
				[],
				(day) => (isStop(day) ? 0.6 : 0)
			),
			usual: 1,
			noise: 0.01
		});
		expect(events).toMatchObject([
			{ kind: 'intermittent', since: dateOf(21), until: null, outages: 15, days: 15 }
		]);
		// 15 times 0.6 of 2 kWh.
		expect(events[0]!.lost).toBeCloseTo(18, 1);
	});

	it('at noon for good is dead since that day', () => {
		const events = outagesOf(days, plainUnit('x', 1), {
			...dayShares(
				Array.from({ length: DAYS }, (_, day) => (day < 60 ? 1 : day === 60 ? 0.5 : 0)),
				[],
				(day) => (day < 60 ? 0 : day === 60 ? 0.5 : 1)
			),
			usual: 1,
			noise: 0.01
		});
		expect(events).toMatchObject([{ kind: 'dead', since: dateOf(60), until: null, level: 0 }]);
		expect(events[0]!.lost).toBeCloseTo(2 * (DAYS - 61) + 1, 0);
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
