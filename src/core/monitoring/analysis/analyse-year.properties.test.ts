import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	course,
	irradiance,
	plainDays,
	plainTimes,
	plainUnit
} from '../../../../tests/support/plain-days';
import type { MonitoredYear } from '../series/year';
import { analyseYear, type YearAnalysis } from './analyse-year';

/** What a unit's days may be: its level, and what is odd about some of them. */
const anomaly = fc.record({
	from: fc.integer({ min: 0, max: 70 }),
	length: fc.integer({ min: 1, max: 60 }),
	kind: fc.constantFrom('gap', 'constant', 'zero', 'outlier', 'slope', 'level', 'negative'),
	size: fc.double({ min: 0, max: 2, noNaN: true })
});
const unitPlan = fc.record({
	level: fc.double({ min: 0, max: 1.3, noNaN: true }),
	anomalies: fc.array(anomaly, { maxLength: 3 }),
	rated: fc.option(fc.integer({ min: 100, max: 330 }))
});
const plan = fc.record({
	days: fc.integer({ min: 1, max: 75 }),
	units: fc.array(unitPlan, { minLength: 1, maxLength: 7 }),
	sky: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 75, maxLength: 75 }),
	latitude: fc.option(fc.integer({ min: -70, max: 70 })),
	plane: fc.option(fc.constant({ tilt: 30, azimuth: 180 })),
	sensor: fc.boolean()
});

function yearOf({
	days,
	units,
	sky,
	latitude,
	plane,
	sensor
}: typeof plan extends fc.Arbitrary<infer P> ? P : never): MonitoredYear {
	const cloudy = (t: number) => irradiance(t) * sky[Math.floor(t / 96)]!;
	return {
		times: plainTimes(days),
		days: plainDays(days),
		units: units.map(({ level, anomalies, rated }, u) =>
			plainUnit(
				`u${u}`,
				days,
				(t) => {
					let share = level * cloudy(t);
					for (const { from, length, kind, size } of anomalies) {
						const day = Math.floor(t / 96);
						if (day < from || day >= from + length) continue;
						if (kind === 'gap') share = Number.NaN;
						if (kind === 'constant') share = size;
						if (kind === 'zero') share = 0;
						if (kind === 'outlier' && t % 96 === 48) share = 50 * size;
						if (kind === 'slope') share *= 1 - (day - from) / length;
						if (kind === 'level') share *= size;
						if (kind === 'negative') share = -share;
					}
					return share;
				},
				{ ratedWatts: rated, plane }
			)
		),
		irradiance: sensor ? course(days, (t) => 1000 * cloudy(t)) : null,
		airTemperature: null,
		cellTemperature: null,
		observer: latitude === null ? null : { latitude, longitude: 0 }
	};
}

function finish(running: Generator<unknown, YearAnalysis>): YearAnalysis {
	for (;;) {
		const { value, done } = running.next();
		if (done) return value as YearAnalysis;
	}
}

describe('any year, with gaps, constants and outliers', () => {
	it('is looked through to its end, and every level and loss of it can be', () => {
		fc.assert(
			fc.property(plan, (planned) => {
				const year = yearOf(planned);
				const found = finish(analyseYear(year));
				for (const { level, lost, lostBand, since, until } of found.events) {
					expect(level).toBeGreaterThanOrEqual(0);
					expect(lost).toBeGreaterThanOrEqual(0);
					expect(lostBand.low).toBeLessThanOrEqual(lost);
					expect(lostBand.high).toBeGreaterThanOrEqual(lost);
					expect(until === null || until >= since).toBe(true);
				}
				for (const { lost, hours } of found.clipping) {
					expect(hours).toBeGreaterThan(0);
					if (!lost) continue;
					expect(lost.low).toBeLessThanOrEqual(lost.value);
					expect(lost.high).toBeGreaterThanOrEqual(lost.value);
				}
				for (const { change } of found.arrayEvents) expect(Number.isFinite(change)).toBe(true);
			}),
			{ numRuns: 60 }
		);
	});
});
