import type { MeterAccuracy } from '../visit';
import type { Random } from '../numerics';

/** How a reading comes out wrong, as people get it wrong. */
export const MISTAKES = ['leads-swapped', 'times-ten', 'tenth', 'zero', 'ac-range'] as const;
export type Mistake = (typeof MISTAKES)[number];

/** A meter with an error of its own that all its readings share. */
export interface TrainingMeter {
	readonly accuracy: MeterAccuracy;
	readonly gain: number;
}

/** A meter whose limits of error hold: half of its variance is common to its readings. */
export function drawMeter(accuracy: MeterAccuracy, random: Random): TrainingMeter {
	return {
		accuracy,
		gain: 1 + (accuracy.pctOfReading / 100) * Math.SQRT1_2 * random.between(-1, 1)
	};
}

/** What a meter shows of a value, rounded to its resolution. */
export function shown(value: number, { accuracy, gain }: TrainingMeter, random: Random): number {
	const { pctOfReading, counts, resolution } = accuracy;
	const own = (pctOfReading / 100) * Math.SQRT1_2 * random.between(-1, 1);
	const raw = value * gain * (1 + own) + counts * resolution * random.between(-0.5, 0.5);
	return Number((Math.round(raw / resolution) * resolution).toPrecision(8));
}

/** The same reading, taken wrong. */
export function mistaken(value: number, how: Mistake, random: Random): number {
	switch (how) {
		case 'leads-swapped':
			return -value;
		case 'times-ten':
			return 10 * value;
		case 'tenth':
			return Number((value / 10).toPrecision(4));
		case 'zero':
			return 0;
		case 'ac-range':
			return Number((Math.abs(value) * random.between(0, 0.02)).toPrecision(2));
	}
}
