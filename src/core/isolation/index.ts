export { arrivalSteps } from './arrival';
export {
	BLOWN_FUSE,
	EARTH_FAULT,
	type Caution,
	cautionsFor,
	CIRCULATING,
	coldCeiling,
	type Exposure,
	generalCautions,
	MAKE_SAFE_FIRST,
	OPEN_STRING,
	opensSomething,
	REVERSED_STRING,
	WHO_DECIDES
} from './cautions';
export { emergencyOrder } from './emergency-shutdown';
export { type Gate, gateOfReading, OWN_PROCEDURE } from './interlock';
export { type Liveness, type LiveSegment, type LiveString, whatStaysLive } from './live';
export {
	currentSafetyEntries,
	incompleteSteps,
	type StepProgress,
	type StepState
} from './progress';
export { makingSafe } from './sequence';
export { isWithin, limitWords, type SafetyStep, type Task, TASK_WORDS, TASKS } from './step';
export { switchingOff } from './switching-off';
export { closingProblem } from './switching-on';
export { highestColdVoltage, testEquipmentProblem } from './test-equipment';
