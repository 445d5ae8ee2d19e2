export { trueBuses } from './circuits';
export { exactReadings } from './exact';
export {
	type Answer,
	drawExercise,
	type Exercise,
	type Level,
	LEVELS,
	markAnswer,
	type Marking,
	pointKindOf
} from './exercise';
export { follow } from './follow';
export { drawMeter, shown } from './meter';
export { HIDDEN_CODES, type HiddenCode } from './planting';
export { plantAll, type Planted, productionYear } from './production-year';
export { drawScenario, type Scenario } from './scenario';
export { isTooMild } from './too-mild';
export type { HiddenFault, Truth } from './truth';
export {
	firstRound,
	minutesOfFirstRound,
	type Offer,
	offersAt,
	sharedMeasurementPoints,
	takeReading
} from './virtual-meter';
