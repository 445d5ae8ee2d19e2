import {
	clearSky,
	diffuseShare,
	extraterrestrial,
	fromAirAndWind,
	type Observer,
	onPlane,
	type Plane,
	type SkyIrradiance,
	sunPosition
} from '../../conditions';
import { cosd } from '../../units';
import type { ModuleType } from '../../record';
import { powerTable } from './power-table';
import type { WeatherHour } from './weather';

/** Modules of one type in one plane behind devices of one rating. */
export interface Generator {
	readonly type: ModuleType;
	readonly modules: number;
	/** Years in service. */
	readonly age: number;
	readonly plane: Plane;
	/** AC rating of all its devices together, W; null where not known. */
	readonly ratedWatts: number | null;
}

/** Wind where the file has none, m/s (common practice). */
const USUAL_WIND = 2;
/** What an hour gives. */
export interface ExpectedHour {
	/** ms since 1970-01-01 UTC */
	readonly at: number;
	/** In the plane, W/m2. */
	readonly irradiance: number;
	/** Of the cells, degC. */
	readonly cellTemperature: number;
	/** After the stated losses, cut at the rating, W. */
	readonly power: number;
}

/** Light of an hour on the level, split into beam and sky where the file does not say. */
function skyOf(hour: WeatherHour, observer: Observer): SkyIrradiance {
	const sun = sunPosition(hour.at, observer);
	const cosine = cosd(sun.zenith);
	const above = extraterrestrial(sun);
	if (cosine <= 0.02) {
		return { global: hour.global, direct: 0, diffuse: hour.global, extraterrestrial: above };
	}
	const diffuse = hour.diffuse ?? hour.global * diffuseShare(hour.global / (above * cosine));
	const direct = hour.direct ?? Math.max((hour.global - diffuse) / cosine, 0);
	return { global: hour.global, direct, diffuse, extraterrestrial: above };
}

/**
 * What an array gives in hourly weather.
 *
 * @param losses share lost in wires, mismatch, soiling and conversion, 0 to 1
 */
export function expectedFrom(
	hours: readonly WeatherHour[],
	observer: Observer,
	{ type, modules, age, plane, ratedWatts: ratedPower }: Generator,
	losses: number
): ExpectedHour[] {
	const power = powerTable(type, age);
	return hours.map((hour) => {
		const irradiance = onPlane(sunPosition(hour.at, observer), plane, skyOf(hour, observer));
		const cellTemperature = fromAirAndWind(hour.air, irradiance.total, hour.wind ?? USUAL_WIND);
		const watts = modules * power(irradiance.effective, cellTemperature).watts * (1 - losses);
		return {
			at: hour.at,
			irradiance: irradiance.total,
			cellTemperature,
			power: ratedPower === null ? watts : Math.min(watts, ratedPower)
		};
	});
}

/** Hours of a clear sky, the most that weather can give: nobody's forecast. */
export function clearHours(
	from: number,
	to: number,
	observer: Observer,
	air: number
): WeatherHour[] {
	const HOUR = 3_600_000;
	const hours: WeatherHour[] = [];
	for (let at = from + HOUR / 2; at < to; at += HOUR) {
		const sky = clearSky(sunPosition(at, observer));
		hours.push({
			at,
			global: sky.global,
			direct: sky.direct,
			diffuse: sky.diffuse,
			air,
			wind: null
		});
	}
	return hours;
}

/**
 * Irradiance as it counts for a weather-corrected ratio: less by what the cell temperature costs.
 * Dierauf et al., Weather-Corrected Performance Ratio, NREL/TP-5200-57991 (2013), with 25 degC in the
 * place of the year's mean.
 *
 * @param irradiance W/m2
 * @param cellTemperature degC
 * @param powerCoefficient temperature coefficient of power, 1/K
 */
export function coolIrradiance(
	irradiance: number,
	cellTemperature: number,
	powerCoefficient: number
): number {
	return irradiance * (1 + powerCoefficient * (cellTemperature - 25));
}

/**
 * Performance ratio: yield per kW of label over the hours of full sun that fell in the plane.
 * IEC 61724-1:2021, clause 14.3 (from memory).
 *
 * @param energy Wh, @param labelWatts W, @param irradiation Wh/m2
 */
export function performanceRatio(energy: number, ratedPower: number, irradiation: number): number {
	return energy / ratedPower / (irradiation / 1000);
}
