import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testRecord } from '../../../../tests/support/monitored-record';
import { EMPTY_RECORD } from '../../record';
import { yearsSince } from './degradation';
import { powerTemperatureCoefficient } from './power-temperature';
import { seasonPoints } from './seasons';
import { corrected } from './stc-share';

const LABEL = 10_000;
const reading = (date: string, share: number, irradiance = 1000, cellTemperature = 25) => ({
	date,
	watts: (LABEL * share * irradiance) / 1000,
	irradiance,
	cellTemperature
});

describe('a benchmark reading', () => {
	it('at standard conditions is itself', () => {
		expect(corrected(reading('2026-06-21', 0.95), LABEL).share).toBeCloseTo(0.95, 12);
	});
	it('is carried there from other light and heat', () => {
		const { share, question } = corrected(
			{ ...reading('2026-06-21', 0.9, 800), cellTemperature: 50 },
			LABEL,
			-0.004
		);
		expect(share).toBeCloseTo(0.9 / 0.9, 12);
		expect(question).toBeNull();
	});
	it('in dim light says that it says little', () => {
		expect(corrected(reading('2026-12-21', 0.9, 300), LABEL).question).toContain('300');
	});
});

it('a kelvin costs what the label’s model says', () => {
	const cost = powerTemperatureCoefficient(testRecord())!;
	expect(cost).toBeLessThan(-0.003);
	expect(cost).toBeGreaterThan(-0.005);
	expect(powerTemperatureCoefficient(EMPTY_RECORD)).toBeNull();
});

it('equinoxes and solstices come in order, a year after those before', () => {
	fc.assert(
		fc.property(fc.integer({ min: 1960, max: 2048 }), (year) => {
			const points = seasonPoints(year);
			expect(points.map(({ at }) => new Date(at).getUTCMonth())).toEqual([2, 5, 8, 11]);
			seasonPoints(year + 1).forEach(({ at }, i) => {
				const days = (at - points[i]!.at) / 86_400_000;
				expect(Math.abs(days - 365.2422)).toBeLessThan(0.03);
			});
		}),
		{ numRuns: 30 }
	);
});

it('years are counted from the first date', () => {
	expect(yearsSince('2020-06-21', '2024-06-21')).toBeCloseTo(4, 2);
});
