import { energyBetween } from './counter';
import { onTimes, type Samples, type Times } from './grid';

/** What an export has of one unit's output; the best of it is taken. */
export interface OutputSamples {
	readonly power?: Samples | undefined;
	readonly energy?: Samples | undefined;
	readonly 'energy-total'?: Samples | undefined;
	readonly 'dc-voltage'?: Samples | undefined;
	readonly 'dc-current'?: Samples | undefined;
}

const HOUR = 3_600_000;
/** A module never gives more than this share of its label, by cold and the edges of clouds; judgement. */
const MOST_SHARE = 1.35;
/** Longest gap across which a counter still says the power between, steps. */
const LONGEST_GAP = 2.5;

/**
 * Mean power of a unit at shared times, W; NaN where nothing says it. Stated power first, then energy
 * of the interval (stamped at its end), then the counter's differences, then volts times amps.
 *
 * @param labelWatts of its modules; what is more than can be is left out
 */
export function powerOf(of: OutputSamples, times: Times, ratedPower: number): Float64Array {
	const most = ratedPower > 0 ? ratedPower * MOST_SHARE : Infinity;
	const power = stated(of, times, most);
	for (let i = 0; i < power.length; i++) {
		// Own use at night, and a little noise, is no output.
		if (power[i]! < 0) power[i] = 0;
		if (power[i]! > most) power[i] = Number.NaN;
	}
	return power;
}

function stated(of: OutputSamples, times: Times, most: number): Float64Array {
	if (of.power) return onTimes(of.power, times);
	if (of.energy) {
		const { at, value } = of.energy;
		return onTimes({ at, value: value.map((wh) => (wh * HOUR) / times.step) }, times);
	}
	if (of['energy-total']) return onTimes(fromCounter(of['energy-total'], times.step, most), times);
	if (of['dc-voltage'] && of['dc-current']) {
		const voltage = onTimes(of['dc-voltage'], times);
		const current = onTimes(of['dc-current'], times);
		return voltage.map((v, i) => v * current[i]!);
	}
	return new Float64Array(times.count).fill(Number.NaN);
}

function fromCounter({ at, value }: Samples, step: number, most: number): Samples {
	const mean = new Float64Array(at.length).fill(Number.NaN);
	for (let i = 1; i < at.length; i++) {
		const hours = (at[i]! - at[i - 1]!) / HOUR;
		if (hours <= 0 || hours * HOUR > LONGEST_GAP * step) continue;
		const energy = energyBetween(value[i - 1]!, value[i]!, most * hours);
		if (energy !== null) mean[i] = energy / hours;
	}
	const kept = Array.from(at.keys()).filter((i) => !Number.isNaN(mean[i]!));
	return {
		at: Float64Array.from(kept, (i) => at[i]!),
		value: Float64Array.from(kept, (i) => mean[i]!)
	};
}
