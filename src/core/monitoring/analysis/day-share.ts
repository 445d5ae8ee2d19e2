import { HOUR, type Unit, type MonitoredYear } from '../series/year';
import { canTell, type Peers } from './peers';

/** Below this share of its label the middle unit says nothing of who lags; on average over a whole day, below the second. */
const LEAST_IRRADIANCE = { moment: 0.06, day: 0.01 };
/** Light of a day, in hours at label power, below which it says nothing. */
const LEAST_DAY = 0.25;
/** Below this share of its peers a unit gives nothing: even a whole shade leaves more, by the light of the sky. */
export const NOTHING = 0.03;
/** Nothing for so long is no slip of two clocks, hours. */
const LEAST_OUTAGE = 0.5;

export interface DayShares {
	/** Output over that of its peers, by day; NaN where the day says nothing. */
	readonly shares: Float64Array;
	/** Whether its peers give while it says nothing at all. */
	readonly silent: Uint8Array;
	/** Energy its peers would have given in its place, Wh by day. */
	readonly due: Float64Array;
	/** Share of that energy that was due while the unit gave nothing, half an hour or longer, by day. */
	readonly out: Float64Array;
}

/** A unit against the middle of its peers, day by day, at the samples that tell. */
export function daySharesOf(
	year: Pick<MonitoredYear, 'times' | 'days'>,
	unit: Unit,
	peers: Peers,
	leftOut: Uint8Array | null
): DayShares {
	const { times, days } = year;
	const { share } = peers;
	const hours = times.step / HOUR;
	const least = times.step > HOUR ? LEAST_IRRADIANCE.day : LEAST_IRRADIANCE.moment;
	const shares = new Float64Array(days.length).fill(Number.NaN);
	const silent = new Uint8Array(days.length);
	const due = new Float64Array(days.length);
	const out = new Float64Array(days.length);
	days.forEach(({ from, to }, d) => {
		let own = 0;
		let middle = 0;
		let irradiance = 0;
		let said = false;
		let nothing = 0;
		let run = { samples: 0, due: 0 };
		const endRun = () => {
			if (run.samples * hours >= LEAST_OUTAGE) nothing += run.due;
			run = { samples: 0, due: 0 };
		};
		for (let t = from; t < to; t++) {
			if (!(share[t]! >= least)) continue;
			irradiance += share[t]! * hours;
			const power = unit.power[t]!;
			if (Number.isNaN(power)) continue;
			said = true;
			if (leftOut?.[t] || !canTell(unit, peers, t)) continue;
			own += power / unit.labelWatts;
			middle += share[t]!;
			if (power < NOTHING * share[t]! * unit.labelWatts) {
				run.samples++;
				run.due += share[t]!;
			} else endRun();
		}
		endRun();
		out[d] = irradiance > 0 ? (nothing * hours) / irradiance : 0;
		due[d] = irradiance * unit.labelWatts;
		if (irradiance < LEAST_DAY) return;
		if (!said) silent[d] = 1;
		// What is left after shade and rating must still be a fair part of the day.
		else if (middle * hours >= 0.2 * irradiance && middle > 0) shares[d] = own / middle;
	});
	return { shares, silent, due, out };
}
