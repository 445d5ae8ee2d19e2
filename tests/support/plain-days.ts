import type { DayShares } from '$core/monitoring/analysis/day-share';
import { HOUR, type Day, type Unit } from '$core/monitoring/series/year';
import type { Times } from '$core/monitoring';
import { utcDays } from '$core/training/production-year';

/* Days of a plain course, light from six to eighteen as half a sine, for tests that plant one thing in it. */

const START = Date.UTC(2026, 3, 1);
const STEP = HOUR / 4;
export const PER_DAY = 96;

export function plainTimes(days: number): Times {
	return { start: START, step: STEP, count: days * PER_DAY };
}

export function plainDays(days: number): readonly Day[] {
	return utcDays(plainTimes(days));
}

/** Share of the day's best at a sample, 0 at night. */
export function irradiance(sample: number): number {
	const hour = (sample % PER_DAY) / 4;
	return hour > 6 && hour < 18 ? Math.sin((Math.PI * (hour - 6)) / 12) : 0;
}

/** W or share at every sample of so many days. */
export function course(days: number, at: (sample: number) => number): Float64Array {
	return Float64Array.from({ length: days * PER_DAY }, (_, sample) => at(sample));
}

/** A unit of a 300 W label that gives so much of its label at each sample. */
export function plainUnit(
	key: string,
	days: number,
	share: (sample: number) => number = irradiance,
	more: Partial<Unit> = {}
): Unit {
	return {
		key,
		label: key,
		labelWatts: 300,
		ratedWatts: null,
		like: 'alike',
		plane: null,
		volts: null,
		amps: null,
		power: course(days, (sample) => 300 * share(sample)),
		...more
	};
}

/** What a unit gave of its peers, day by day, where its peers gave 2 kWh a day. */
export function dayShares(
	shares: readonly number[],
	silent: readonly number[] = [],
	out: (day: number) => number = () => 0
): DayShares {
	return {
		shares: Float64Array.from(shares),
		silent: Uint8Array.from(shares, (_, day) => Number(silent.includes(day))),
		due: new Float64Array(shares.length).fill(2000),
		out: Float64Array.from(shares, (_, day) => out(day))
	};
}
