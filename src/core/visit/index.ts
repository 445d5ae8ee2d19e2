export {
	conditionsAt,
	currentConditions,
	currentSeries,
	findCurrentReadings,
	keyOf,
	measurementsOf
} from './current-readings';
export { effectiveVisit, type EffectiveVisit, enteredAfter, stringsAt } from './effective-visit';
export { FAULT_CODES, type FaultCode, FAULTS, type PlaceKind, type Scale } from './fault-code';
export { joinMessage, type Meaning, meaningsOf, splitMessage } from './inverter-message';
export { placeProblem } from './place-in-record';
export { placeWords } from './place-label';
export {
	PART_POINTS,
	type PartPoint,
	type Place,
	placeKey,
	POLES,
	stringKey,
	stringOfPlace,
	stringPlace
} from './place';
export {
	isStringQuantity,
	QUANTITIES,
	type Quantity,
	QUANTITY_FACTS,
	STRING_QUANTITIES,
	type StringQuantity,
	type Unit
} from './quantity';
export {
	isRunning,
	settingsOf,
	settledState,
	standsAlone,
	stateProblem,
	stateMessages,
	switchableOf,
	type SwitchingState,
	usualState
} from './switching-state';
export {
	type ConditionsEntry,
	emptyVisit,
	isStringReading,
	type MeasuredCurve,
	type Meter,
	type MeterAccuracy,
	type Purpose,
	PURPOSES,
	type Reading,
	REPAIR_STEPS,
	type RepairEntry,
	type RepairStep,
	type SafetyEntry,
	type StringReading,
	USUAL_METERS,
	type Visit,
	type Withdrawal
} from './visit';
export type { VisitMessages } from './messages';
