import { expect, it } from 'vitest';
import { course, irradiance, plainDays } from '../../../../tests/support/plain-days';
import { plateauOf } from './plateau';

const DAYS = 20;
const days = plainDays(DAYS);
/** Days whose best differs, as under a real sky. */
const sky = (t: number) => (0.8 + 0.2 * Math.sin(Math.floor(t / 96) * 1.7)) * irradiance(t);

it('a level that is reached again and again and never passed is a plateau', () => {
	expect(
		plateauOf(
			course(DAYS, (t) => Math.min(300 * sky(t), 210)),
			days
		)
	).toBeCloseTo(210, 1);
});

it('the round top of sunny days is none', () => {
	expect(
		plateauOf(
			course(DAYS, (t) => 300 * irradiance(t)),
			days
		)
	).toBeNull();
	expect(
		plateauOf(
			course(DAYS, (t) => 300 * sky(t)),
			days
		)
	).toBeNull();
});

it('nothing has none', () => {
	expect(plateauOf(new Float64Array(DAYS * 96).fill(Number.NaN), days)).toBeNull();
	expect(plateauOf(new Float64Array(DAYS * 96), days)).toBeNull();
});
