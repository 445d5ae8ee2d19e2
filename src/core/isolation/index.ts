export { arrivalSteps } from './arrival';
export {
	BLOWN_FUSE,
	EARTH_FAULT,
	type Caution,
	cautionsFor,
	CIRCULATING,
	coldCeiling,
	type Exposure,
	exposureName,
	generalCautions,
	ISOLATE_FIRST,
	OPEN_STRING,
	opensSomething,
	REVERSED_STRING,
	WHO_DECIDES
} from './cautions';
export { emergencyOrder } from './emergency-shutdown';
export { type Gate, gateOfReading, OWN_PROCEDURE } from './interlock';
export { type LiveSegment, type LiveString, whatStaysLive } from './live';
export { currentSafetyEntries, incompleteSteps, type StepProgress } from './progress';
export { makingSafe } from './sequence';
export type { IsolationMessages } from './messages';
export { isWithin, limitsOf, placeOf, type Task, taskName, TASKS } from './step';
export { switchingOff } from './switching-off';
export { closingProblem } from './switching-on';
export { highestColdVoltage, testEquipmentProblem } from './test-equipment';
