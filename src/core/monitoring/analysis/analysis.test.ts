import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { productionYear, utcDays, type Planted } from '../../training/production-year';
import { lintwhite370 } from '../../../../demo/site';
import type { MonitoredYear } from '../series/year';
import { probableCause } from './cause';
import { clippingOf } from './clipping';
import { clearSkyOn } from './clear-sky-year';
import { segmentsOf } from './segments';
import { quantile, robustSlope } from '../../numerics';
import { analyseYear, type YearAnalysis } from './analyse-year';

const TYPE = lintwhite370('019c0000-0001-7000-8000-000000000001');
const PLANE = { tilt: 32, azimuth: 140 };
const OBSERVER = { latitude: 55.5, longitude: 2 };
const START = Date.UTC(2026, 3, 1);

function generated(planted: readonly Planted[], more: { days?: number; rated?: number } = {}) {
	const { days = 120, rated = 380 } = more;
	return productionYear({
		seed: 77,
		start: START,
		days,
		stepMinutes: 15,
		units: 8,
		type: TYPE,
		age: 3,
		rated,
		plane: PLANE,
		observer: OBSERVER,
		planted
	});
}
function look(year: MonitoredYear): YearAnalysis {
	const running = analyseYear(year);
	for (;;) {
		const { value, done } = running.next();
		if (done) return value;
		expect(value.done).toBeGreaterThanOrEqual(0);
		expect(value.done).toBeLessThan(1);
	}
}
const dateOf = (day: number) => new Date(START + day * 86_400_000).toISOString().slice(0, 10);

describe('a year of units', () => {
	it('in which all is well says so', () => {
		const { events, arrayEvents, clipping, notes, shares, energy } = look(generated([]));
		expect({ events, arrayEvents, clipping, notes }).toEqual({
			events: [],
			arrayEvents: [],
			clipping: [],
			notes: []
		});
		expect(shares.size).toBe(8);
		expect(energy[0]!.complete).toBeGreaterThan(0.98);
		expect(energy[0]!.bestShare).toBeGreaterThan(0.6);
	});

	it('tells a unit at a share from the day on, and what its volts and amps point at', () => {
		const { events, causes } = look(
			generated([{ kind: 'at-share', unit: 2, share: 0.5, from: 50 }])
		);
		expect(events).toHaveLength(1);
		expect(events[0]).toMatchObject({ kind: 'step', unit: 'unit-3', until: null });
		expect(events[0]!.since).toBe(dateOf(50));
		expect(events[0]!.level).toBeCloseTo(0.5, 1);
		expect(causes.get('unit-3')!.words).toContain('current is low');
	});

	it('tells a dead unit, while it lasts and once it is over', () => {
		const over = look(generated([{ kind: 'dead', unit: 0, from: 30, to: 40 }])).events;
		expect(over).toEqual([
			expect.objectContaining({ kind: 'dead', since: dateOf(30), until: dateOf(39) })
		]);
		const lasting = look(generated([{ kind: 'dead', unit: 0, from: 100, to: 900 }])).events;
		expect(lasting).toEqual([expect.objectContaining({ kind: 'dead', until: null })]);
	});

	it('tells a unit that falls slowly from one that steps', () => {
		const { events } = look(generated([{ kind: 'slope', unit: 4, from: 10, perDay: 0.0015 }]));
		expect(events).toHaveLength(1);
		expect(events[0]).toMatchObject({ kind: 'slope', unit: 'unit-5', until: null });
		expect(events[0]!.level).toBeCloseTo(1 - 110 * 0.0015, 1);
	});

	it('tells soiling on one unit that rain takes off from a fault', () => {
		const { events } = look(generated([{ kind: 'dirt', unit: 1, from: 20, to: 75, loss: 0.15 }]));
		expect(events).toEqual([expect.objectContaining({ kind: 'dirt', unit: 'unit-2' })]);
	});

	it('tells a shade that returns, and where the sun stands then', () => {
		const { events } = look(
			generated([{ kind: 'shade', unit: 6, from: 0, to: 200, azimuths: [110, 140] }])
		);
		expect(events).toHaveLength(1);
		const [event] = events;
		expect(event).toMatchObject({ kind: 'shade', unit: 'unit-7', until: null });
		if (event?.kind !== 'shade') throw new Error('no shade');
		const { azimuths, heights } = event.shade.sun!;
		expect(Math.abs(azimuths[0] - 110)).toBeLessThan(4);
		expect(Math.abs(azimuths[1] - 140)).toBeLessThan(4);
		expect(heights[1]).toBeGreaterThan(heights[0]);
	});

	it.each([
		[15, 150, 180],
		[15, 230, 260],
		[60, 110, 140],
		[60, 190, 230]
	])(
		'by %i minutes tells a shade from azimuth %i° to %i° within the step',
		(stepMinutes, from, to) => {
			const { events } = look(
				productionYear({
					...{ seed: 77, start: START, days: 200, stepMinutes, units: 6, type: TYPE, age: 3 },
					...{ rated: 380, plane: { tilt: 25, azimuth: 180 }, observer: OBSERVER },
					planted: [{ kind: 'shade', unit: 3, from: 0, to: 400, azimuths: [from, to] }]
				})
			);
			const [event, ...more] = events;
			expect(more).toEqual([]);
			if (event?.kind !== 'shade') throw new Error('no shade');
			const { azimuths } = event.shade.sun!;
			// The sun goes 15 degrees an hour and more about noon.
			const reach = 2 + (12 * stepMinutes) / 60;
			expect(Math.abs(azimuths[0] - from)).toBeLessThan(reach);
			expect(Math.abs(azimuths[1] - to)).toBeLessThan(reach);
		}
	);

	it('says what it did not look at, and why', () => {
		const year = generated([], { days: 20 });
		const alone = look({ ...year, units: year.units.slice(0, 2), observer: null });
		expect(alone.notes.join(' ')).toContain('Fewer than three units');
		expect(alone.notes.join(' ')).toContain('Nobody has said where the site is');
		const [first, ...rest] = year.units;
		const one = look({ ...year, units: [{ ...first!, like: null }, ...rest] });
		expect(one.notes).toEqual([expect.stringContaining('unit 1: nothing alike beside it')]);
	});

	it('that says nothing for days is not dead but silent', () => {
		const year = generated([], { days: 40 });
		const quiet = Float64Array.from(year.units[3]!.power, (power, t) =>
			t >= 25 * 96 ? Number.NaN : power
		);
		const units = year.units.map((unit, u) => (u === 3 ? { ...unit, power: quiet } : unit));
		expect(look({ ...year, units }).events).toEqual([
			expect.objectContaining({ kind: 'silent', unit: 'unit-4', since: dateOf(25), until: null })
		]);
	});
});

describe('flat tops', () => {
	const times = { start: START, step: 900_000, count: 30 * 96 };
	const days = utcDays(times);
	const irradiance = clearSkyOn(OBSERVER, PLANE, times);
	const air = Float64Array.from(irradiance, (_, t) => 10 + 15 * Math.sin((t / 96) * 1.7));
	const unit = (power: Float64Array, ratedPower: number | null) => ({
		key: 'A',
		label: 'A',
		labelWatts: 370,
		ratedWatts: ratedPower,
		like: null,
		plane: PLANE,
		power,
		volts: null,
		amps: null
	});
	const tops = (level: (day: number) => number, rated: number | null) =>
		clippingOf(
			{
				times,
				days,
				units: [
					unit(
						irradiance.map((sun, t) => Math.min(0.37 * sun, level(Math.floor(t / 96)))),
						rated
					)
				],
				airTemperature: air,
				cellTemperature: null,
				irradiance: null,
				observer: OBSERVER
			},
			() => ({ peers: null, sky: { irradiance, plane: 'recorded' }, usual: 1 })
		);

	it('at the rating are clipping, with the energy that the shoulders show', () => {
		const [flat, ...rest] = tops(() => 290, 290);
		expect(rest).toEqual([]);
		expect(flat).toMatchObject({ kind: 'clipping', level: 290 });
		expect(flat!.days).toHaveLength(30);
		let true_ = 0;
		for (const sun of irradiance) true_ += (Math.max(0.37 * sun - 290, 0) * 0.25) / 1000;
		expect(flat!.lost!.low).toBeLessThan(true_);
		expect(flat!.lost!.high).toBeGreaterThan(true_ * 0.98);
		expect(flat!.lost!.value).toBeGreaterThan(0.7 * true_);
	});
	it('at one level that is nobody’s rating are a limit', () => {
		expect(tops(() => 250, 350)).toEqual([expect.objectContaining({ kind: 'limit' })]);
	});
	it('at one level without a rating in the record are clipping', () => {
		expect(tops(() => 250, null)).toEqual([expect.objectContaining({ kind: 'clipping' })]);
	});
	it('at a level that falls with the heat are derating', () => {
		const cellTemperature = (day: number) => air[day * 96 + 48]!;
		expect(tops((day) => 280 - 2.5 * cellTemperature(day), 350)).toEqual([
			expect.objectContaining({ kind: 'derating' })
		]);
	});
	it('of clear noons are none', () => {
		expect(tops(() => Infinity, 350)).toEqual([]);
		expect(tops(() => Infinity, null)).toEqual([]);
	});
	it('without the sun’s course are found by a parabola', () => {
		const power = irradiance.map((sun) => Math.min(0.37 * sun, 270));
		const year = {
			times,
			days,
			units: [unit(power, 270)],
			airTemperature: null,
			cellTemperature: null,
			irradiance: null,
			observer: null
		};
		const [flat] = clippingOf(year, () => ({ peers: null, sky: null, usual: 1 }));
		expect(flat).toMatchObject({ kind: 'clipping', level: 270, from: 'shoulders' });
	});
});

describe('straight stretches', () => {
	const wobble = (i: number) => 0.004 * Math.sin(i * 12.9898) * Math.cos(i * 78.233);
	const x = Array.from({ length: 200 }, (_, i) => i);
	it('of a level series are one', () => {
		expect(
			segmentsOf(
				x,
				x.map((i) => 1 + wobble(i))
			)
		).toHaveLength(1);
	});
	it('are cut at any step', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 10, max: 190 }),
				fc.double({ min: 0.3, max: 0.93, noNaN: true }),
				(at, level) => {
					const segments = segmentsOf(
						x,
						x.map((i) => (i < at ? 1 : level) + wobble(i))
					);
					expect(segments.map(({ from }) => from)).toEqual([0, at]);
					expect(segments[1]!.begins).toBeCloseTo(level, 1);
				}
			),
			{ numRuns: 40 }
		);
	});
	it('are none of fewer points than one needs', () => {
		expect(segmentsOf([1, 2], [1, 1])).toEqual([]);
	});
});

describe('a robust slope', () => {
	it('is that of a line, whatever a quarter of the points say', () => {
		fc.assert(
			fc.property(
				fc.double({ min: -5, max: 5, noNaN: true }),
				fc.double({ min: -100, max: 100, noNaN: true }),
				(slope, wild) => {
					const x = Array.from({ length: 24 }, (_, i) => i);
					const y = x.map((i) => (i % 5 === 2 ? wild * 1000 : 3 + slope * i));
					expect(robustSlope(x, y)!.slope).toBeCloseTo(slope, 6);
				}
			)
		);
	});
	it('has its slope within its band', () => {
		const line = robustSlope([0, 1, 2, 3, 4, 5], [1, 0.98, 0.99, 0.96, 0.97, 0.95])!;
		expect(line.low).toBeLessThan(line.slope);
		expect(line.high).toBeGreaterThan(line.slope);
	});
	it('is none of two points, or of one day', () => {
		expect(robustSlope([0, 1], [1, 2])).toBeNull();
		expect(robustSlope([1, 1, 1], [1, 2, 3])).toBeNull();
	});
	it('quantiles lie between neighbours', () => {
		expect(quantile([4, 1, 3, 2], 0.5)).toBe(2.5);
		expect(quantile([], 0.5)).toBeNaN();
	});
});

describe('voltage and current of a unit that underperforms', () => {
	it.each([
		[1, 0.5, 'current is low'],
		[0.66, 1, 'A third of its voltage'],
		[0.34, 1, 'Two thirds of its voltage'],
		[1.2, 0, 'takes nothing'],
		[0, 0, 'No voltage reaches it'],
		[0.9, 1, 'resistance in a connector'],
		[1, 1, 'lost behind it'],
		[0.8, 0.7, 'Both voltage and current are low']
	])('at %d and %d of its peers say “%s”', (voltage, current, words) => {
		expect(probableCause({ voltage, current }, 0.5).words).toContain(words);
	});
	it('that are not in the export leave it open', () => {
		expect(probableCause(null, 0.5).next).toContain('Measure voltage and current');
		expect(probableCause(null, 0).words).toContain('gives nothing');
	});
});
