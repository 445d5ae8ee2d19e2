export { assess, type Assessment, judge } from './assess';
export { calibrated, fitSteepness, posteriorBehind, type SaidAndRight } from './calibration';
export { carriedOver, type CarriedOver } from './carried-over';
export type { Cause, CauseMember } from './cause';
export { isFound } from './found';
export type { ConditionsAtString } from './here';
export { acProbes, keyOfProbe, poleProbes, supplyProbes } from './link-evidence';
export type { ProposedTest } from './next/proposed-test';
export { testFactsOf } from './next/test-facts';
export { offScale } from './part-figures';
export { predictAt } from './predict-at';
export type { Remark } from './remarks';
export type { Suspect } from './suspect';
export {
	type TablePossible,
	type TableQuantity,
	type TableReading,
	tableTest,
	type TableTest,
	testsLeft,
	traceTableModule
} from './table-module';
export { traceGroups } from './trace-groups';
export type { Unexplained } from './unexplained';
export { placeName } from './within';
export { causeWords, knownWords } from './words';
