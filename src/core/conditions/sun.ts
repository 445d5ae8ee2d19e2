import { cosd, degrees, sind, tand, wrapDegrees } from '../units';

/** Where one stands and in what air. */
export interface Observer {
	/** degrees, north positive */
	readonly latitude: number;
	/** degrees, east positive */
	readonly longitude: number;
	/** m above the sea */
	readonly altitude?: number | undefined;
	/** hPa, for refraction */
	readonly pressure?: number | undefined;
	/** Of the air, degC, for refraction */
	readonly airTemperature?: number | undefined;
}

export interface SunPosition {
	/** From the vertical, with refraction, degrees. */
	readonly zenith: number;
	/** From north by east, degrees, 0 to 360. */
	readonly azimuth: number;
	/** Distance between sun and earth, astronomical units. */
	readonly distance: number;
}

const MS_PER_DAY = 86_400_000;
/** Julian day of 1970-01-01, 0 h UT. */
const JULIAN_DAY_OF_EPOCH = 2440587.5;
const J2000 = 2451545;
/** Terrestrial time less universal time, s: near enough from 2000 to 2040 (0.03 arc seconds a second). */
const DELTA_T = 69;
/** Equatorial parallax of the sun at one astronomical unit, degrees (8.794 arc seconds). */
const PARALLAX = 8.794 / 3600;
/** Standard air, hPa and degC. */
const STANDARD_AIR = { pressure: 1013.25, temperature: 15 };

/**
 * Position of the sun as seen from a place, to 0.01 degree between 1950 and 2050.
 *
 * Meeus, Astronomical Algorithms, 2nd edition (1998): longitude and distance by chapter 25 (lower
 * accuracy), nutation by chapter 22, sidereal time by chapter 12, parallax by chapter 40, refraction by
 * equation 16.4 scaled with pressure and temperature.
 *
 * @param instant UTC, ms since 1970-01-01
 * @param deltaT terrestrial time less universal time, s
 */
export function sunPosition(instant: number, observer: Observer, deltaT = DELTA_T): SunPosition {
	const julianDay = instant / MS_PER_DAY + JULIAN_DAY_OF_EPOCH;
	const t = (julianDay + deltaT / 86_400 - J2000) / 36_525;
	const { longitude, distance, obliquity, nutation } = apparentSun(t);

	const rightAscension = degrees(Math.atan2(cosd(obliquity) * sind(longitude), cosd(longitude)));
	const declination = degrees(Math.asin(sind(obliquity) * sind(longitude)));
	const sidereal = greenwichSidereal(julianDay) + nutation * cosd(obliquity);
	const hourAngle = wrapDegrees(sidereal + observer.longitude - rightAscension);

	const { latitude } = observer;
	const sinAltitude =
		sind(latitude) * sind(declination) + cosd(latitude) * cosd(declination) * cosd(hourAngle);
	const geocentric = degrees(Math.asin(Math.max(-1, Math.min(1, sinAltitude))));
	const altitude = geocentric - (PARALLAX / distance) * cosd(geocentric);
	const azimuth =
		180 +
		degrees(
			Math.atan2(
				sind(hourAngle),
				cosd(hourAngle) * sind(latitude) - tand(declination) * cosd(latitude)
			)
		);
	return {
		zenith: 90 - altitude - refraction(altitude, observer),
		azimuth: wrapDegrees(azimuth),
		distance
	};
}

/** Apparent longitude of the sun from the March equinox of date, degrees, 0 to 360; by the same chapters. */
export function solarLongitude(instant: number): number {
	const julianDay = instant / MS_PER_DAY + JULIAN_DAY_OF_EPOCH;
	return wrapDegrees(apparentSun((julianDay + DELTA_T / 86_400 - J2000) / 36_525).longitude);
}

/** Apparent geocentric longitude, distance, true obliquity and nutation in longitude; degrees and au. */
function apparentSun(t: number) {
	const meanLongitude = 280.46646 + t * (36_000.76983 + t * 0.0003032);
	const anomaly = 357.52911 + t * (35_999.05029 - t * 0.0001537);
	const eccentricity = 0.016708634 - t * (0.000042037 + t * 0.0000001267);
	const centre =
		(1.914602 - t * (0.004817 + t * 0.000014)) * sind(anomaly) +
		(0.019993 - t * 0.000101) * sind(2 * anomaly) +
		0.000289 * sind(3 * anomaly);
	const distance =
		(1.000001018 * (1 - eccentricity ** 2)) / (1 + eccentricity * cosd(anomaly + centre));

	const node = 125.04452 - 1934.136261 * t;
	const moon = 218.3165 + 481_267.8813 * t;
	const nutation =
		(-17.2 * sind(node) -
			1.32 * sind(2 * meanLongitude) -
			0.23 * sind(2 * moon) +
			0.21 * sind(2 * node)) /
		3600;
	const obliquityShift =
		(9.2 * cosd(node) +
			0.57 * cosd(2 * meanLongitude) +
			0.1 * cosd(2 * moon) -
			0.09 * cosd(2 * node)) /
		3600;
	const meanObliquity = 23.4392911 - t * (0.0130041667 + t * 1.638889e-7);
	// Aberration: 20.4898 arc seconds over the distance.
	const longitude = meanLongitude + centre + nutation - 20.4898 / 3600 / distance;
	return { longitude, distance, obliquity: meanObliquity + obliquityShift, nutation };
}

/** Mean sidereal time at Greenwich, degrees (equation 12.4). */
function greenwichSidereal(julianDay: number): number {
	const t = (julianDay - J2000) / 36_525;
	return (
		280.46061837 + 360.98564736629 * (julianDay - J2000) + t * t * (0.000387933 - t / 38_710_000)
	);
}

/** Lift by the air, degrees; none once the sun is well below the horizon. */
function refraction(altitude: number, observer: Observer): number {
	if (altitude < -1) return 0;
	const pressure = observer.pressure ?? pressureAt(observer.altitude ?? 0);
	const temperature = observer.airTemperature ?? STANDARD_AIR.temperature;
	const air = (pressure / 1010) * (283 / (273 + temperature));
	return (air * 1.02) / tand(altitude + 10.3 / (altitude + 5.11)) / 60;
}

/** Standard atmosphere, hPa. */
function pressureAt(altitude: number): number {
	return STANDARD_AIR.pressure * (1 - 2.25577e-5 * altitude) ** 5.25588;
}

/** Irradiance above the air on a plane square to the sun, W/m2: 1361 (Kopp and Lean 2011) over the distance squared. */
export function extraterrestrial({ distance }: SunPosition): number {
	return 1361 / distance ** 2;
}
