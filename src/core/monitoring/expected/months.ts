import { dateOfMillis } from '../../units';
import { coolIrradiance, type ExpectedHour } from './production';

/** One month: what was expected and what was made. */
export interface MonthOfYield {
	/** 0 for January */
	readonly month: number;
	/** kWh in the hours that were watched */
	readonly expected: number;
	/** kWh; null where nothing was watched */
	readonly made: number | null;
	/** kWh/m2 in the plane */
	readonly irradiation: number;
	/** The same, less by what its heat costs. */
	readonly cool: number;
}

/** Energy made by day, as an export says. */
export interface DayOfYield {
	/** As in 2026-03-12 */
	readonly date: string;
	/** kWh; NaN where nothing was said */
	readonly made: number;
}

/**
 * Months of what was made beside what was expected on the same days of the year: hours of a typical
 * year have dates of their own, so month and day decide, not the year.
 *
 * @param offset of the site's standard time, ms ahead of UTC
 * @param powerCoefficient temperature coefficient of power, 1/K
 */
export function monthsOf(
	hours: readonly ExpectedHour[],
	days: readonly DayOfYield[],
	offset: number,
	powerCoefficient: number
): MonthOfYield[] {
	const expected = new Map<string, { watts: number; light: number; cool: number; hours: number }>();
	for (const { at, power, irradiance, cellTemperature } of hours) {
		const key = dateOfMillis(at + offset).slice(5);
		const sum = expected.get(key) ?? { watts: 0, light: 0, cool: 0, hours: 0 };
		expected.set(key, {
			watts: sum.watts + power,
			light: sum.light + irradiance,
			cool: sum.cool + coolIrradiance(irradiance, cellTemperature, powerCoefficient),
			hours: sum.hours + 1
		});
	}
	return Array.from({ length: 12 }, (_, month) => {
		const watched = days.filter(
			({ date, made }) => Number(date.slice(5, 7)) === month + 1 && !Number.isNaN(made)
		);
		let [kWh, irradiance, cool] = [0, 0, 0];
		for (const { date } of watched) {
			const key = date.slice(5);
			// The 29th of February takes after the day before it.
			const day = expected.get(key) ?? expected.get('02-28');
			// Hours of several years on one day of the year are their mean.
			const years = Math.max(day ? day.hours / 24 : 1, 1);
			kWh += (day?.watts ?? 0) / years / 1000;
			irradiance += (day?.light ?? 0) / years / 1000;
			cool += (day?.cool ?? 0) / years / 1000;
		}
		return {
			month,
			expected: kWh,
			made: watched.length > 0 ? watched.reduce((sum, { made }) => sum + made, 0) : null,
			irradiation: irradiance,
			cool
		};
	});
}
