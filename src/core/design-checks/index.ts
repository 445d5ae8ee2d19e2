export {
	CABLE_MATERIALS,
	type CableProblem,
	type CableRating,
	type CableSpec,
	INSTALLATIONS,
	INSULATIONS,
	rateCable
} from './cables/cable-rating';
export { cableArea } from './cables/cable-size';
export { NEC_COLUMNS } from './cables/nec-tables';
export { problemText } from './cables/recorded-cable';
export { uncorrectedAmpacity } from './cables/required-current';
export { checkRecord, type CheckVerdict } from './check-record';
export { amount, type CheckPlace } from './check';
export { coldFactor, coldStringVoltage } from './cold-voltage';
export { controllerFits } from './electronics';
export { probableStrings, type ProbableStrings } from './probable-strings';
export { needWords, openingWords, ratingProblem, stringFuseRule } from './string-fuse';
