export {
	AGEING_UNCERTAINTY,
	KNEE_UNCERTAINTY,
	POWER_AGEING_PER_YEAR,
	RECTANGULAR
} from './allowances';
export { inputAtConditions, type InputAtConditions } from './at-conditions';
export { busVoltageQuestion } from './bus-voltage';
export { atStandard, type AtStandard, changeSince, comparedStrings } from './compare';
export { conditionsFromPeers } from './conditions-from-peers';
export { entryHint } from './entry-hint';
export { questionBeforeStoring } from './entry-question';
export { combine, ownUncertainty, scatterUncertainty, type SharedUncertainty } from './error-model';
export { type Expectations, expectReadings, type PlaceVerdict, yearsInService } from './expect';
export { plainRule, type PlainRule } from './five-percent';
export {
	groupOfString,
	type GroupReading,
	inSameLight,
	moduleAtShift,
	modulesAtShift,
	type PeerGroup
} from './group';
export { expectedInChosenState, STANDBY_VOLTAGE_UNCERTAINTY, standbyVolts } from './in-state';
export { AT_RATING } from './inverter-rating';
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
	runningVolts,
	stringAtConditions,
	USUAL_PARTS
} from './predict';
export { coarse, rmsOf, type Scatter } from './scatter';
export type { SharedEstimate, Shift } from './shared-shift';
export type { GroupVerdict } from './shared-verdict';
export {
	commonMaximumVoltage,
	commonVoltages,
	currentOf,
	maximumPowerVoltage,
	type TrackedVoltage,
	trackedVoltages
} from './tracked-voltage';
export type { Verdict } from './verdict';
