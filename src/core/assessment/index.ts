export { judgeByLimits } from './limits/judge-by-limits';
export type { LimitVerdict } from './limits/limit-verdict';
export { DEAD_VOLTS, supplyLadders, type SupplyLink } from './limits/part-limits';
export { NO_CURRENT } from './limits/string-limits';
export {
	inputsByVoltage,
	sharedVoltage,
	stringsWithInputs,
	type VoltageGroup,
	voltageKeys
} from './shared-operating-voltage';
