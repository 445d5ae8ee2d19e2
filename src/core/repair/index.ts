export { type RepairCase, repairCases, verdictsOf } from './cases';
export { partHistories } from './history';
export { REPAIR_KIND_NAMES, REPAIR_KINDS, type RepairKind, repairKindsFor } from './kinds';
export { substituteChecks } from './substitute';
