export {
	AGEING_UNCERTAINTY,
	KNEE_UNCERTAINTY,
	POWER_AGEING_PER_YEAR,
	RECTANGULAR
} from './allowances';
export { inputAtConditions, type InputAtConditions } from './at-conditions';
export { busVoltageQuestion } from './bus-voltage';
export { conditionsFromPeers } from './conditions-from-peers';
export { entryHint } from './entry-hint';
export { questionBeforeStoring } from './entry-question';
export { combine, ownUncertainty, scatterUncertainty, type SharedUncertainty } from './error-model';
export {
	type Expectation,
	type ExpectedValue,
	expectedValues,
	type PlaneQuestion,
	yearsInService
} from './expected-values';
export {
	groupOfString,
	type GroupReading,
	atSameIrradiance,
	moduleAtShift,
	modulesAtShift,
	type PeerGroup
} from './group';
export { expectedInChosenState, STANDBY_VOLTAGE_UNCERTAINTY, standbyVoltage } from './in-state';
export { AT_RATING } from './inverter-rating';
export { STC, translatedString, translatePoint } from './iec60891';
export { compareCurve, type CurveComparison } from './measured-curve';
export {
	canBeOverRange,
	DIODE_OVER_RANGE,
	isAboveMeter,
	type MeterFigure,
	pastedFigures,
	readMeterFigure,
	weighedValue,
	withoutAboveMeter
} from './meter-figure';
export { currentConditionsByPlane, planeOfEntry } from './plane-conditions';
export {
	agedModel,
	alike,
	moduleAtConditions,
	type Prediction,
	predictReading,
	predictValue,
	runningVoltage,
	stringAtConditions,
	USUAL_PARTS
} from './predict';
export { coarse, rmsOf, type Scatter, type Scattered } from './scatter';
export type { SharedEstimate, Shift } from './shared-shift';
export {
	commonMaximumVoltage,
	commonVoltages,
	currentOf,
	maximumPowerVoltage,
	type TrackedVoltage,
	trackedVoltages
} from './tracked-voltage';
