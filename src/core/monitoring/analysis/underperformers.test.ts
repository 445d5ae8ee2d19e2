import { describe, expect, it } from 'vitest';
import { dayShares, plainDays, plainUnit } from '../../../../tests/support/plain-days';
import { laggingOf } from './underperformers';

const DAYS = 80;
const days = plainDays(DAYS);
const dateOf = (day: number) => days[day]!.date;
/** Small noise that is the same in every run. */
const noise = (day: number) => 0.003 * Math.sin(12.9 * day + 78.2);
const events = (share: (day: number) => number, silent: readonly number[] = []) =>
	laggingOf(
		{ days },
		plainUnit('x', 1),
		dayShares(
			Array.from({ length: DAYS }, (_, day) =>
				silent.includes(day) ? Number.NaN : share(day) + (share(day) > 0.1 ? noise(day) : 0)
			),
			silent
		)
	);

describe('a unit that keeps up', () => {
	it('has no events', () => {
		expect(events(() => 1)).toEqual([]);
	});

	it('has none for one odd day', () => {
		expect(events((day) => (day === 40 ? 0.6 : 1))).toEqual([]);
	});
});

describe('a dead unit', () => {
	it('is dead from the first day to the last, for all that its peers gave', () => {
		const [event, ...more] = events((day) => (day >= 20 && day < 30 ? 0 : 1));
		expect(more).toEqual([]);
		expect(event).toEqual({
			unit: 'x',
			kind: 'dead',
			since: dateOf(20),
			until: dateOf(29),
			level: 0,
			lost: expect.closeTo(20, 0),
			lostBand: { low: expect.closeTo(19, 0), high: expect.closeTo(21, 0) }
		});
	});

	it('is dead on, over days that say nothing', () => {
		const [event] = events((day) => (day < 60 ? 1 : day === 65 ? Number.NaN : 0));
		expect(event).toMatchObject({ kind: 'dead', since: dateOf(60), until: null });
	});

	it('is not, for a single day', () => {
		expect(events((day) => (day === 20 ? 0 : 1))).toEqual([]);
	});
});

describe('a silent unit', () => {
	it('says nothing, and is not said to be dead', () => {
		const silent = Array.from({ length: 7 }, (_, i) => 33 + i);
		expect(events(() => 1, silent)).toEqual([
			expect.objectContaining({ kind: 'silent', since: dateOf(33), until: dateOf(39) })
		]);
	});

	it('is still, where it has not spoken again', () => {
		const silent = Array.from({ length: 10 }, (_, i) => 70 + i);
		expect(events(() => 1, silent)).toEqual([
			expect.objectContaining({ kind: 'silent', until: null })
		]);
	});
});

describe('a unit at less than its peers', () => {
	it('from the first day on is low, and all that it lacks is lost', () => {
		const [event, ...more] = events(() => 0.8);
		expect(more).toEqual([]);
		expect(event).toMatchObject({ kind: 'low', since: dateOf(0), until: null });
		expect(event!.level).toBeCloseTo(0.8, 2);
		expect(event!.lost).toBeCloseTo(0.2 * 2 * DAYS, 0);
	});

	it('by some percent is not: labels and places differ', () => {
		expect(events(() => 0.95)).toEqual([]);
	});

	it('from a day on has stepped down, to a share of what it was', () => {
		const [event, ...more] = events((day) => (day < 30 ? 0.97 : 0.65));
		expect(more).toEqual([]);
		expect(event).toMatchObject({ kind: 'step', since: dateOf(30), until: null });
		expect(event!.level).toBeCloseTo(0.65 / 0.97, 2);
		expect(event!.lost).toBeCloseTo(0.32 * 2 * 50, 0);
	});

	it('between two days is over once it is back', () => {
		const [event] = events((day) => (day >= 30 && day < 50 ? 0.6 : 1));
		expect(event).toMatchObject({ kind: 'step', since: dateOf(30), until: dateOf(49) });
	});
});

describe('a unit that falls slowly', () => {
	it('slopes, and what it lost grows with it', () => {
		const [event, ...more] = events((day) => (day < 20 ? 1 : 1 - 0.004 * (day - 20)));
		expect(more).toEqual([]);
		expect(event).toMatchObject({ kind: 'slope', until: null });
		expect(event!.level).toBeCloseTo(0.76, 1);
		expect(event!.lost).toBeGreaterThan(5);
	});

	it('and is back at once was dirty, and the day on which it was washed is told', () => {
		const [event, ...more] = events((day) => (day < 50 ? 1 - 0.003 * day : 1));
		expect(more).toEqual([]);
		expect(event).toMatchObject({ kind: 'dirt', since: dateOf(0), washed: dateOf(50) });
	});

	it('for less than three weeks is neither', () => {
		const kinds = events((day) => (day < 12 ? 1 - 0.006 * day : 1)).map(({ kind }) => kind);
		expect(kinds).not.toContain('slope');
	});
});
