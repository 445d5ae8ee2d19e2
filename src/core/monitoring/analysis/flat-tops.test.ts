import { describe, expect, it } from 'vitest';
import {
	course,
	irradiance,
	PER_DAY,
	plainDays,
	plainTimes
} from '../../../../tests/support/plain-days';
import { plateausOf } from './flat-tops';

const times = plainTimes(1);
const [day] = plainDays(1);
const sun = course(1, (t) => 1000 * irradiance(t));
const clipped = (level: number, of = 300) => course(1, (t) => Math.min(of * irradiance(t), level));
/** What the cut takes off, Wh. */
const cutOff = (level: number, of = 300) =>
	[...course(1, (t) => Math.max(of * irradiance(t) - level, 0))].reduce(
		(sum, power) => sum + power / 4
	);

describe('a flat top', () => {
	it('is found with its level, its hours and what it took', () => {
		const [top, ...more] = plateausOf(clipped(220), sun, day!, 0, times);
		expect(more).toEqual([]);
		expect(top!.level).toBeCloseTo(220, 6);
		expect(top!.hours).toBeGreaterThan(5);
		expect(top!.hours).toBeLessThan(6);
		expect(top!.lost.value / cutOff(220)).toBeGreaterThan(0.85);
		expect(top!.lost.value / cutOff(220)).toBeLessThan(1.05);
	});

	it('has lost between its low and its high', () => {
		for (const level of [150, 200, 250, 280]) {
			const [top] = plateausOf(clipped(level), sun, day!, 0, times);
			if (!top) continue;
			const { low, value, high } = top.lost;
			expect(low).toBeLessThanOrEqual(value);
			expect(value).toBeLessThanOrEqual(high);
			expect(cutOff(level)).toBeGreaterThanOrEqual(low);
			expect(cutOff(level)).toBeLessThanOrEqual(1.01 * high);
		}
	});

	it('takes the less the higher it lies', () => {
		const lost = [180, 200, 220, 240].map(
			(level) => plateausOf(clipped(level), sun, day!, 0, times)[0]!.lost.value
		);
		expect(lost).toEqual([...lost].sort((a, b) => b - a));
	});

	it('is found by a parabola where the sun’s course is not known', () => {
		const [top] = plateausOf(clipped(240), null, day!, 0, times);
		expect(top!.level).toBeCloseTo(240, 6);
		expect(top!.lost.value / cutOff(240)).toBeGreaterThan(0.4);
		expect(top!.lost.value / cutOff(240)).toBeLessThan(1.6);
		expect(top!.lost.low).toBeLessThan(top!.lost.high);
	});
});

describe('no flat top', () => {
	it.each([
		['is the noon of a clear day', course(1, (t) => 300 * irradiance(t))],
		['is a day without any output', course(1, () => 0)],
		['is a day of which nothing is known', course(1, () => Number.NaN)],
		['is a plateau without shoulders', course(1, (t) => (irradiance(t) > 0 ? 200 : 0))]
	])('%s', (_, power) => {
		expect(plateausOf(power, sun, day!, 0, times)).toEqual([]);
	});

	it('is a cut so near the top that the noon itself is as flat', () => {
		expect(plateausOf(clipped(296), sun, day!, 0, times)).toEqual([]);
	});

	it('is made of two samples', () => {
		const power = course(1, (t) =>
			t === 48 || t === 49 ? 220 : Math.min(150, 300 * irradiance(t))
		);
		expect(plateausOf(power, sun, day!, 0, times)).toEqual([]);
	});
});

describe('the days of a series', () => {
	it('are looked at one by one, each against its own peak', () => {
		const two = plainTimes(2);
		const [first, second] = plainDays(2);
		const power = course(2, (t) => Math.min(300 * irradiance(t), t < PER_DAY ? 200 : 240));
		const both = course(2, (t) => 1000 * irradiance(t));
		expect(plateausOf(power, both, first!, 0, two)[0]).toMatchObject({ day: 0, level: 200 });
		expect(plateausOf(power, both, second!, 1, two)[0]).toMatchObject({ day: 1, level: 240 });
	});
});
