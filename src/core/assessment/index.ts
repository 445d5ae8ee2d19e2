export { atStandard, type AtStandard, changeSince, comparedStrings } from './compare';
export type { CountedDifference } from './difference';
export { plainRule, type PlainRule } from './five-percent';
export { judgeByModel, type ModelJudgement } from './judge-by-model';
export {
	expectedAt,
	isRead,
	type JudgedPlace,
	type PlaceResult,
	readingAt,
	type ReadPlace,
	reasonAt,
	verdictAt
} from './place-result';
export type { GroupVerdict } from './shared-verdict';
export type { Verdict } from './verdict';
export { judgeByLimits } from './limits/judge-by-limits';
export type { LimitVerdict } from './limits/limit-verdict';
export { DEAD_VOLTAGE, supplyLadders, type SupplyLink } from './limits/part-limits';
export { NO_CURRENT } from './limits/string-limits';
export {
	inputsByVoltage,
	sharedVoltage,
	stringsWithInputs,
	type VoltageGroup,
	voltageKeys
} from './shared-operating-voltage';
