import type { Observer } from '../../conditions';
import { HOUR, type MonitoredYear } from '../series/year';
import { expectedFrom, performanceRatio, type ExpectedHour, type Generator } from './production';
import type { WeatherHour } from './weather';

/** Power on the labels of a generator's modules, W. */
const labelOf = ({ type, modules }: Generator) => modules * type.plate.pmax;

/**
 * What an array of several planes gives in hourly weather, W. Its light (W/m2) and heat (degC) are those
 * of its planes, weighed by the power on their labels.
 *
 * @param losses share lost in wires, mismatch, soiling and conversion, 0 to 1
 * @param monitoredPower label power of the units that are watched, W: what is not watched is not expected
 */
export function expectedOfArray(
	hours: readonly WeatherHour[],
	observer: Observer,
	generators: readonly Generator[],
	losses: number,
	monitoredPower: number
): ExpectedHour[] {
	const labels = generators.reduce((sum, one) => sum + labelOf(one), 0);
	if (labels === 0) return [];
	const watched = Math.min(monitoredPower / labels, 1);
	const each = generators.map((one) => expectedFrom(hours, observer, one, losses));
	const weighed = (hour: number, of: (one: ExpectedHour) => number) =>
		each.reduce((sum, list, g) => sum + (of(list[hour]!) * labelOf(generators[g]!)) / labels, 0);
	return hours.map(({ at }, i) => ({
		at,
		irradiance: weighed(i, (one) => one.irradiance),
		cellTemperature: weighed(i, (one) => one.cellTemperature),
		power: watched * each.reduce((sum, list) => sum + list[i]!.power, 0)
	}));
}

/**
 * Performance ratio by an export's own sensor, over the samples that all units and the sensor have.
 *
 * @returns null where there is no sensor, no light, or no label
 */
export function measuredRatio({
	times,
	units,
	irradiance
}: Pick<MonitoredYear, 'times' | 'units' | 'irradiance'>): number | null {
	const ratedPower = units.reduce((sum, unit) => sum + unit.labelWatts, 0);
	if (!irradiance || ratedPower === 0) return null;
	const hours = times.step / HOUR;
	let energy = 0;
	let irradiation = 0;
	for (let t = 0; t < times.count; t++) {
		const power = units.reduce((sum, { power }) => sum + power[t]!, 0);
		if (Number.isNaN(irradiance[t]!) || Number.isNaN(power)) continue;
		energy += power * hours;
		irradiation += irradiance[t]! * hours;
	}
	return irradiation > 0 ? performanceRatio(energy, ratedPower, irradiation) : null;
}
