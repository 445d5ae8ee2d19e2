import { dayNumber } from '../../units/instant';
import { robustSlope } from '../analysis/statistics';

/** One measurement on a benchmark day. */
export interface BenchmarkReading {
	/** As in 2026-06-21. */
	readonly date: string;
	/** W */
	readonly watts: number;
	/** W/m2 in the plane */
	readonly irradiance: number;
	/** degC */
	readonly cellTemperature: number;
}

/** A measurement as it would be under standard test conditions. */
export interface Corrected {
	readonly date: string;
	/** Share of label power. */
	readonly share: number;
	/** Standard uncertainty of the share. */
	readonly uncertainty: number;
	/** The part of it that the same instruments do not share from year to year. */
	readonly repeated: number;
	/** Why it says little; null where it says what it can. */
	readonly doubt: string | null;
}

/** Standard uncertainties, relative; and of the cell temperature, K (judgement, as for a visit's conditions). */
const DOUBT = { irradiance: 0.03, watts: 0.01, heat: 2.5 };
/** The same of what differs from one reading to the next with the same instruments. */
const REPEATED = { irradiance: 0.01, watts: 0.005, heat: 1.5 };
/** Power of usual silicon over heat, 1/K (common practice). */
export const USUAL_OVER_HEAT = -0.0038;
const DIM = 600;

/**
 * Power corrected to 1000 W/m2 and 25 degC: in proportion to the light, by the temperature coefficient
 * for heat. The proportion is that of IEC 60891 with one coefficient; below 600 W/m2 it says little.
 *
 * @param labelWatts W
 * @param heat relative power over temperature, 1/K
 */
export function corrected(
	{ date, watts, irradiance, cellTemperature }: BenchmarkReading,
	labelWatts: number,
	heat = USUAL_OVER_HEAT
): Corrected {
	const warm = 1 + heat * (cellTemperature - 25);
	const share = (watts * 1000) / irradiance / warm / labelWatts;
	const relative = (of: typeof DOUBT) =>
		Math.hypot(of.irradiance, of.watts, (heat * of.heat) / warm);
	return {
		date,
		share,
		uncertainty: share * relative(DOUBT),
		repeated: share * relative(REPEATED),
		doubt:
			irradiance < DIM
				? `Only ${irradiance.toFixed(0)} W/m²: below ${DIM} the correction says little.`
				: null
	};
}

/** How an array ages by its benchmark days. */
export interface Ageing {
	/** Change of the share of label power a year, and its band of 95 %; negative for less. */
	readonly perYear: number;
	readonly low: number;
	readonly high: number;
	/** Share at the first measurement, by the line. */
	readonly first: number;
	/** Years from the first measurement on in which it will pass the limit: likely, soonest, latest; null for never. */
	readonly passes: {
		readonly likely: number | null;
		readonly soonest: number | null;
		readonly latest: number | null;
	};
}

const YEAR = 365.25;

/** Years since the first date. */
export function yearsSince(first: string, date: string): number {
	return (dayNumber(date) - dayNumber(first)) / YEAR;
}

/**
 * Ageing by a robust line through measurements over a year or more, made with the same instruments.
 * Three points have a wide band.
 *
 * @param limit share of label power
 * @returns null for fewer than 3 measurements, or less than a year between them
 */
export function ageingOf(readings: readonly Corrected[], limit: number): Ageing | null {
	const sorted = [...readings].sort((a, b) => (a.date < b.date ? -1 : 1));
	const first = sorted[0]?.date;
	if (sorted.length < 3 || first === undefined) return null;
	const x = sorted.map(({ date }) => yearsSince(first, date));
	if (x.at(-1)! < 1) return null;
	const y = sorted.map(({ share }) => share);
	const line = robustSlope(x, y);
	if (!line) return null;
	// Few points say less of their slope than their own doubts: the band is at least what those leave open.
	const mean = x.reduce((sum, value) => sum + value, 0) / x.length;
	const spread = Math.sqrt(x.reduce((sum, value) => sum + (value - mean) ** 2, 0));
	const doubt =
		(1.96 * Math.sqrt(sorted.reduce((sum, one) => sum + one.repeated ** 2, 0) / sorted.length)) /
		spread;
	const low = Math.min(line.low, line.slope - doubt);
	const high = Math.max(line.high, line.slope + doubt);
	const when = (slope: number) => {
		if (line.intercept <= limit) return 0;
		return slope < 0 ? (limit - line.intercept) / slope : null;
	};
	return {
		perYear: line.slope,
		low,
		high,
		first: line.intercept,
		passes: { likely: when(line.slope), soonest: when(low), latest: when(high) }
	};
}
