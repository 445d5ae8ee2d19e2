import { fitLabel, type Nameplate } from '../module';
import { refuse, type Result, succeed } from '../units';
import { fromAirAndWind, fromBackProbe, fromNominal } from './cell-temperature';
import { clearSkyAt, USUAL_TURBIDITY } from './clear-sky';
import { IRRADIANCE_SOURCE_FACTS, TEMPERATURE_SOURCE_FACTS, type Conditions } from './conditions';
import { fromReferenceModule } from './reference-module';
import { onPlane, type Plane } from './plane';
import { irradianceAtAngle } from './shadow';
import { sunPosition, type Observer } from './sun';

/*
 * Each way to the conditions, from what one can read on site to light in the plane and heat of the
 * cells, with the words of what it was worked out from.
 */

/** Light, or heat, by one way. */
export interface IrradianceBy {
	readonly irradiance: Conditions['irradiance'];
	readonly basis: string;
}
export interface TemperatureBy {
	readonly cellTemperature: Conditions['cellTemperature'];
	readonly basis: string;
}

/** Both from a known good module read at the same moment. */
export function byReferenceModule(
	nameplate: Nameplate,
	isc: number,
	voc: number
): Result<IrradianceBy & TemperatureBy, string> {
	const read = fromReferenceModule(fitLabel(nameplate), isc, voc);
	if (!read.ok) return read;
	return succeed({
		irradiance: {
			value: read.value.irradiance,
			relativeStandardUncertainty: IRRADIANCE_SOURCE_FACTS['control-module'].standardUncertainty,
			source: 'control-module'
		},
		cellTemperature: {
			value: read.value.cellTemperature,
			standardUncertainty: TEMPERATURE_SOURCE_FACTS['control-voc'].standardUncertainty,
			source: 'control-voc'
		},
		basis: `control module: Isc ${isc} A, Voc ${voc} V`
	});
}

/** How far the sun stands above the horizon at least for a clear-sky estimate, degrees; judgement. */
const LOWEST_SUN = 10;

/**
 * Light in a plane under a clear sky. The last resort: clouds and haze are not in it.
 *
 * @param instant UTC, ms since 1970-01-01
 * @param turbidity Linke turbidity of the air, 1
 */
export function byClearSky(
	observer: Observer,
	plane: Plane,
	instant: number,
	turbidity = USUAL_TURBIDITY
): Result<IrradianceBy, string> {
	const sun = sunPosition(instant, observer);
	const height = 90 - sun.zenith;
	if (height < LOWEST_SUN) {
		return refuse(
			height < 0
				? 'The sun is below the horizon there at this time. Check the time, and that west is negative.'
				: `The sun stands only ${height.toFixed(0)}° high: a clear-sky estimate says nothing then.`
		);
	}
	const { effective } = onPlane(sun, plane, clearSkyAt(sun, observer.altitude ?? 0, turbidity));
	return succeed({
		irradiance: {
			value: effective,
			relativeStandardUncertainty: IRRADIANCE_SOURCE_FACTS['clear-sky'].standardUncertainty,
			source: 'clear-sky'
		},
		basis: `clear sky at ${observer.latitude}°, ${observer.longitude}°, tilt ${plane.tilt}°, azimuth ${plane.azimuth}°; sun ${height.toFixed(0)}° high`
	});
}

/** Relative standard uncertainty of the shadow method square to the sun: sensor, stick and sky; Zembo default. */
const SHADOW_UNCERTAINTY = 0.04;
/**
 * Light in the plane from a sensor that was held square to the sun, and the shadow of an object square
 * to the glass ({@link lightAtAngle}).
 *
 * @param squareToSun W/m2
 * @param objectHeight above the glass, any unit of length
 * @param shadowLength in the same unit
 */
export function byShadow(
	squareToSun: number,
	objectHeight: number,
	shadowLength: number
): Result<IrradianceBy, string> {
	if (!(objectHeight > 0) || !(shadowLength >= 0)) {
		return refuse('The object’s height must be above 0, its shadow 0 or longer, in the same unit.');
	}
	const { angle, beamShare, share, byAngle, bySky } = irradianceAtAngle(objectHeight, shadowLength);
	return succeed({
		irradiance: {
			value: squareToSun * share,
			relativeStandardUncertainty: Math.hypot(SHADOW_UNCERTAINTY, byAngle, bySky),
			source: 'other'
		},
		basis: `square to the sun ${squareToSun} W/m², shadow ${shadowLength} over ${objectHeight}: ${angle.toFixed(0)}° off the glass, ${(100 * beamShare).toFixed(0)} % of the beam`
	});
}

/** Cells from a probe on the back. */
export function byBackProbe(back: number, irradiance: number): TemperatureBy {
	return {
		cellTemperature: {
			value: fromBackProbe(back, irradiance),
			standardUncertainty: TEMPERATURE_SOURCE_FACTS['probe-on-back'].standardUncertainty,
			source: 'probe-on-back'
		},
		basis: `back of a module ${back} °C`
	};
}

/** Usual nominal operating cell temperature, degC; common practice. */
const USUAL_NOCT = 45;

/** Cells from the air: with its wind where that is known, by the nominal operating temperature else. */
export function byAir(air: number, wind: number | null, irradiance: number): TemperatureBy {
	return {
		cellTemperature: {
			value:
				wind === null
					? fromNominal(air, irradiance, USUAL_NOCT)
					: fromAirAndWind(air, irradiance, wind),
			standardUncertainty: TEMPERATURE_SOURCE_FACTS['from-air'].standardUncertainty,
			source: 'from-air'
		},
		basis: `air ${air} °C${wind === null ? `, NOCT ${USUAL_NOCT} °C` : `, wind ${wind} m/s`}`
	};
}
