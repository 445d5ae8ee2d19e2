import { describe, expect, it } from 'vitest';
import { dateOf } from '../../benchmarks/monitoring/answer';
import { answerOf, clippedAt, exportOf, SITES } from '../../benchmarks/monitoring/sites';

/*
 * Site-years of a generator that shares nothing with the project (tests/reference/data/monitoring). All eight are
 * scored by npm run bench -- watch-field.
 */

const DAY = 86_400_000;
const daysBetween = (a: string, b: string) => Math.abs(Date.parse(a) - Date.parse(b)) / DAY;

describe('a healthy array in two planes that nobody recorded', () => {
	const { csv, lost } = clippedAt('two-planes-not-recorded', 200, 15);
	const answer = answerOf('two-planes-not-recorded', false, csv);

	it('accuses no unit, and says where the units face', () => {
		expect(answer.events).toEqual([]);
		const planes = SITES['two-planes-not-recorded']!.planes!;
		expect(answer.planes).toHaveLength(2);
		for (const { units, tilt, azimuth } of planes) {
			const inferred = answer.planes.find((one) => one.units[0] === `U ${units[0]}`)!;
			expect(inferred.units).toEqual(units.map((unit) => `U ${unit}`));
			expect(Math.abs(inferred.azimuth - azimuth)).toBeLessThanOrEqual(10);
			expect(Math.abs(inferred.tilt - tilt)).toBeLessThanOrEqual(6);
		}
	});

	it('that is cut off has lost what its clipping took', () => {
		expect(answer.clipping).toHaveLength(12);
		for (const { unit, level, lost: estimate } of answer.clipping) {
			const truth = lost[Number(unit.split(' ')[1]) - 1]!;
			expect(level).toBeCloseTo(200, 0);
			expect(estimate!.low).toBeLessThan(truth);
			expect(estimate!.high).toBeGreaterThan(truth);
		}
	});
});

it('a unit that stops again and again is one event, with its energy', () => {
	const { events } = answerOf('intermittent', false);
	const { unit, from, lost } = SITES['intermittent']!.scen;
	expect(events).toEqual([expect.objectContaining({ unit: `U ${unit}`, kind: 'intermittent' })]);
	expect(daysBetween(events[0]!.since, dateOf(from!))).toBeLessThanOrEqual(7);
	expect(events[0]!.lostBand.low).toBeLessThan(lost);
	expect(events[0]!.lostBand.high).toBeGreaterThan(lost);
});

it('times of another zone are found by the sun', () => {
	const read = exportOf('healthy-mid').replace('Time (UTC)', 'Time (UTC+3)');
	expect(answerOf('healthy-mid', false, read).clock).toEqual({
		kind: 'shifted',
		add: 3 * 3_600_000
	});
});

it('snow accuses no unit', () => {
	const { events, arrayEvents, clock } = answerOf('snow-healthy', false);
	expect(events).toEqual([]);
	expect(clock).toBeNull();
	expect(arrayEvents.map(({ kind }) => kind)).toContain('snow');
});

it('soiling is the array’s, and ends with its rains', () => {
	const { events, arrayEvents } = answerOf('soiling-and-rain', false);
	expect(events).toEqual([]);
	const washed = arrayEvents.flatMap(({ kind, washed: on }) => (kind === 'dirt' && on ? [on] : []));
	const [first, second] = SITES['soiling-and-rain']!.scen.rains;
	expect(washed).toHaveLength(2);
	expect(daysBetween(washed[0]!, dateOf(first!))).toBeLessThanOrEqual(7);
	expect(daysBetween(washed[1]!, dateOf(second!))).toBeLessThanOrEqual(7);
});
