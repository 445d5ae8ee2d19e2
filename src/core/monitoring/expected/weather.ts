import { millisOfClock, refuse, type Result, succeed } from '../../units';
import type { Observer } from '../../conditions';
import { weatherColumns, type WeatherColumn } from './weather-columns';

/** One hour of weather: means over it, stamped at its middle. */
export interface WeatherHour {
	/** ms since 1970-01-01 UTC, of the year that the file states */
	readonly at: number;
	/** On the level, W/m2. */
	readonly global: number;
	/** Square to the sun, W/m2; null where the file has none. */
	readonly direct: number | null;
	/** From the sky on the level, W/m2; null where the file has none. */
	readonly diffuse: number | null;
	/** degC */
	readonly air: number;
	/** m/s; null where the file has none. */
	readonly wind: number | null;
}

export interface Weather {
	/** Where it was recorded; null where the file does not say. */
	readonly observer: Observer | null;
	/** As the file calls the place. */
	readonly place: string;
	readonly hours: readonly WeatherHour[];
}

const HOUR = 3_600_000;
const HEADINGS_OF_EPW = 8;
/** Places of the wanted fields in a line of an EPW file, from 0 (EnergyPlus, Auxiliary Programs; from memory). */
const EPW = { dryBulb: 6, global: 13, direct: 14, diffuse: 15, wind: 21 } as const;
/** What the format writes where it has nothing. */
const EPW_MISSING = { dryBulb: 99.9, irradiance: 9999, wind: 999 } as const;

/** Whether lines are those of an EPW file. */
export function looksLikeEpw(rows: readonly (readonly string[])[]): boolean {
	return rows[0]?.[0]?.trim().toUpperCase() === 'LOCATION';
}

/**
 * Reads the cells of an EPW file: hours 1 to 24 in the place's standard time, each named by its end.
 */
export function readEpw(rows: readonly (readonly string[])[]): Result<Weather, string> {
	const [, place = '', , country = '', , , latitude, longitude, zone] = rows[0] ?? [];
	const observer = { latitude: Number(latitude), longitude: Number(longitude) };
	const offset = Number(zone) * HOUR;
	if (![observer.latitude, observer.longitude, offset].every(Number.isFinite)) {
		return refuse(
			'The first line of the EPW file does not hold latitude, longitude and time zone.'
		);
	}
	const hours: WeatherHour[] = [];
	for (const [i, row] of rows.entries()) {
		if (i < HEADINGS_OF_EPW || row.length < EPW.diffuse + 1) continue;
		const figure = (at: number) => Number(row[at]);
		const [year, month, day, hour] = [0, 1, 2, 3].map(figure) as [number, number, number, number];
		const global = figure(EPW.global);
		const air = figure(EPW.dryBulb);
		const all = [year, month, day, hour, global, air];
		if (!all.every(Number.isFinite)) {
			return refuse(`Line ${i + 1} of the EPW file does not hold figures where it should.`);
		}
		const irradiance = (at: number) => (figure(at) >= EPW_MISSING.irradiance ? null : figure(at));
		if (irradiance(EPW.global) === null || air === EPW_MISSING.dryBulb) continue;
		const wind = figure(EPW.wind);
		hours.push({
			at: millisOfClock(year, month, day, hour) - HOUR / 2 - offset,
			global,
			direct: irradiance(EPW.direct),
			diffuse: irradiance(EPW.diffuse),
			air,
			wind: Number.isFinite(wind) && wind < EPW_MISSING.wind ? wind : null
		});
	}
	return hours.length < 24
		? refuse('The EPW file holds fewer than 24 hours.')
		: succeed({ observer, place: [place, country].filter(Boolean).join(', '), hours });
}

/**
 * Reads hourly weather from CSV with headings: time (UTC, at the hour's beginning), global irradiance
 * on the level, air temperature; direct, diffuse and wind where there are any.
 *
 * @param stamp reads a time as ms since 1970-01-01 UTC, null where it is none
 */
export function readWeatherCsv(
	rows: readonly (readonly string[])[],
	stamp: (text: string) => number | null
): Result<Weather, string> {
	const columns = weatherColumns(rows[0] ?? []);
	if (!columns.ok) return columns;
	const { global, air, direct, diffuse, wind } = columns.value;
	if (!global || !air) {
		return refuse(
			'The headings must name the global irradiance (ghi) and the air temperature (temp_air) beside the time in the first column.'
		);
	}
	const hours: WeatherHour[] = [];
	for (const [i, row] of rows.entries()) {
		if (i === 0 || row.every((cell) => cell.trim() === '')) continue;
		const at = stamp(row[0] ?? '');
		const figure = (where: WeatherColumn | null) => {
			const text = where === null ? '' : (row[where.column] ?? '').trim();
			if (where === null || text === '') return Number.NaN;
			return Number(text.replace(',', '.')) * where.factor + where.offset;
		};
		if (at === null || Number.isNaN(figure(global)) || Number.isNaN(figure(air))) {
			return refuse(`Line ${i + 1} does not hold a time, an irradiance and a temperature.`);
		}
		const orNull = (value: number) => (Number.isNaN(value) ? null : value);
		hours.push({
			at: at + HOUR / 2,
			global: figure(global),
			direct: orNull(figure(direct)),
			diffuse: orNull(figure(diffuse)),
			air: figure(air),
			wind: orNull(figure(wind))
		});
	}
	return hours.length < 24
		? refuse('The file holds fewer than 24 hours.')
		: succeed({ observer: null, place: '', hours });
}
