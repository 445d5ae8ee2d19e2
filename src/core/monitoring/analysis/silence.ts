import type { Unit, MonitoredYear } from '../series/year';
import type { ArrayEvent } from './event';

/** Days without a word from any unit that are worth saying. */
const FEWEST_DAYS = 2;

/** Stretches of days on which no unit says anything: the line to the logger was down, or it was not written. */
export function silenceOf(
	{ days }: Pick<MonitoredYear, 'days'>,
	units: readonly Unit[]
): ArrayEvent[] {
	const says = days.map(({ from, to }) =>
		units.some(({ power }) => power.subarray(from, to).some((watts) => !Number.isNaN(watts)))
	);
	const first = says.indexOf(true);
	const last = says.lastIndexOf(true);
	const events: ArrayEvent[] = [];
	for (let d = first; d >= 0 && d <= last; d++) {
		if (says[d]) continue;
		let end = d;
		while (!says[end + 1]) end++;
		if (end - d + 1 >= FEWEST_DAYS) {
			events.push({
				kind: 'no-data',
				since: days[d]!.date,
				until: days[end]!.date,
				change: 0,
				washed: null,
				loss: null
			});
		}
		d = end;
	}
	return events;
}
