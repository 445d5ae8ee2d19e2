import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { energyBetween } from './counter';
import { onTimes, stepOf } from './grid';
import { powerOf } from './power';

const samples = (pairs: readonly (readonly [number, number])[]) => ({
	at: Float64Array.from(pairs, ([minute]) => minute * 60_000),
	value: Float64Array.from(pairs, ([, value]) => value)
});
const times = { start: 0, step: 900_000, count: 4 };

describe('a counter', () => {
	it.each([
		[1000, 1050, 50],
		[99_990, 15, 25],
		[65_530, 4, 10],
		[655_300, 40, 100],
		[4_294_967_290, 10, 16],
		[1834, 0, 0],
		[1834, 12, 12]
	])('from %d to %d is %d Wh', (before, after, energy) => {
		expect(energyBetween(before, after, 200)).toBe(energy);
	});
	it('that jumps by more than can be says nothing', () => {
		expect(energyBetween(1000, 5000, 200)).toBeNull();
		expect(energyBetween(5000, 4000, 200)).toBeNull();
	});
	it('that rolls over at any display size counts on', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(1e4, 1e5, 1e6, 2 ** 16, 2 ** 32),
				fc.integer({ min: 0, max: 50 }),
				fc.integer({ min: 1, max: 50 }),
				(size, below, more) => {
					fc.pre(more > below);
					expect(energyBetween(size - below, more - below, 60)).toBe(more);
				}
			)
		);
	});
});

describe('power at shared times', () => {
	it('is the mean of what lies within half a step', () => {
		const values = onTimes(
			samples([
				[0, 10],
				[14, 20],
				[16, 30],
				[45, 7]
			]),
			times
		);
		expect([...values]).toEqual([10, 25, Number.NaN, 7]);
	});
	it('comes from energy of the interval', () => {
		expect(
			[
				...powerOf(
					{
						energy: samples([
							[0, 25],
							[15, 50]
						])
					},
					times,
					1000
				)
			].slice(0, 2)
		).toEqual([100, 200]);
	});
	it('comes from a counter’s differences, and not across a gap', () => {
		const power = powerOf(
			{
				'energy-total': samples([
					[0, 1000],
					[15, 1025],
					[30, 1075],
					[120, 1300]
				])
			},
			{ ...times, count: 10 },
			1000
		);
		expect([...power].slice(0, 3)).toEqual([Number.NaN, 100, 200]);
		expect(power[8]).toBeNaN();
	});
	it('comes from volts times amps where nothing else is there', () => {
		const power = powerOf(
			{ 'dc-voltage': samples([[0, 30]]), 'dc-current': samples([[0, 5]]) },
			times,
			1000
		);
		expect(power[0]).toBe(150);
	});
	it('is none where it is more than the label can give, and none below 0', () => {
		const power = powerOf(
			{
				power: samples([
					[0, 5000],
					[15, -3],
					[30, 300]
				])
			},
			times,
			370
		);
		expect([...power].slice(0, 3)).toEqual([Number.NaN, 0, 300]);
	});
	it('has the step that most samples keep', () => {
		expect(
			stepOf([
				samples([
					[0, 1],
					[5, 1],
					[10, 1],
					[60, 1],
					[65, 1]
				])
			])
		).toBe(300_000);
		expect(stepOf([samples([[0, 1]])])).toBeNull();
	});
});
