export { fromAirAndWind, fromBackProbe, fromNominal } from './cell-temperature';
export {
	clearSky,
	clearSkyAt,
	diffuseShare,
	type SkyIrradiance,
	USUAL_TURBIDITY
} from './clear-sky';
export {
	CONDITION_LIMITS,
	type Conditions,
	DIM_IRRADIANCE,
	IRRADIANCE_SOURCE_FACTS,
	IRRADIANCE_SOURCES,
	type IrradianceSource,
	STEADY_SERIES,
	TEMPERATURE_SOURCE_FACTS,
	TEMPERATURE_SOURCES,
	type TemperatureSource
} from './conditions';
export { incidenceAngle, onPlane, type Plane } from './plane';
export { fromReferenceModule, irradianceFromIsc } from './reference-module';
export {
	byAir,
	byBackProbe,
	byClearSky,
	byReferenceModule,
	byShadow,
	type IrradianceBy,
	type TemperatureBy
} from './routes';
export { fromShadow, irradianceAtAngle, type IrradianceAtAngle } from './shadow';
export {
	extraterrestrial,
	type Observer,
	solarLongitude,
	sunPosition,
	type SunPosition
} from './sun';
export { transposeIrradiance } from './transposition';
