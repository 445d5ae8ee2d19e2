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
	/** What the irradiance was measured with, by name; absent where nobody said. */
	readonly instrument?: string | undefined;
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
	readonly question: string | null;
	/** As of the reading, without blanks around it; null where nobody said. */
	readonly instrument: string | null;
}

/** Standard uncertainties, relative; and of the cell temperature, K (judgement, as for a visit's conditions). */
const UNCERTAINTY = { irradiance: 0.03, watts: 0.01, heat: 2.5 };
/** The same of what differs from one reading to the next with the same instruments. */
const REPEATED = { irradiance: 0.01, watts: 0.005, heat: 1.5 };
/** Temperature coefficient of power of usual silicon, 1/K (common practice). */
export const USUAL_POWER_COEFFICIENT = -0.0038;
const DIM = 600;

/**
 * Power corrected to 1000 W/m2 and 25 degC: in proportion to the irradiance, and by the temperature coefficient
 * of power. The proportion is that of IEC 60891 with one coefficient; below 600 W/m2 it says little.
 *
 * @param ratedPower by the nameplate, W
 * @param powerCoefficient temperature coefficient of power, 1/K
 */
export function corrected(
	{ date, watts: power, irradiance, cellTemperature, instrument }: BenchmarkReading,
	ratedPower: number,
	powerCoefficient = USUAL_POWER_COEFFICIENT
): Corrected {
	const warm = 1 + powerCoefficient * (cellTemperature - 25);
	const share = (power * 1000) / irradiance / warm / ratedPower;
	const relative = (of: typeof UNCERTAINTY) =>
		Math.hypot(of.irradiance, of.watts, (powerCoefficient * of.heat) / warm);
	return {
		date,
		share,
		uncertainty: share * relative(UNCERTAINTY),
		repeated: share * relative(REPEATED),
		question:
			irradiance < DIM
				? `Only ${irradiance.toFixed(0)} W/m²: below ${DIM} the correction says little.`
				: null,
		instrument: instrument?.trim() || null
	};
}
