export { changeBetween } from './change-between';
export { applyChange, type ChangeStep, inverseOf, type RecordChange, stillHolds } from './change';
export { differenceInWords, fuseWords } from './difference';
export { type Cell, cellKey, cellsOf, type Field, type Span, type Step, STEPS } from './field';
export { acPower, dcAcRatio, labelPower, moduleCount } from './label-power';
export { labelRanges, rangesOfIds } from './label-ranges';
export { onlyEnd, removal } from './mend-links';
export { type Diagram, type DiagramNode, oneLine } from './one-line';
export { outlineOf, type RecordOutline } from './outline';
export { type ParallelGroup, parallelStrings } from './parallel-strings';
export {
	fieldsOf,
	type Part,
	PART_KIND_NAMES,
	PART_KINDS,
	type PartKind,
	type PartOf,
	partsOf,
	type Specs,
	unknownSpecs
} from './part';
export { endOfString, inputsOf, occupants, partsOnward, pathOfModule } from './path';
export { duplicateString, layRun, liftModules, moveModule, unplaced } from './placing';
export { type Plane, planesOf, planesOfString } from './plane';
export {
	type ArrayRecord,
	type BlockingDiodeRecord,
	EDITIONS,
	EMPTY_RECORD,
	fuseInCircuit,
	isAcBranch,
	MODULE_STATES,
	type ModuleDetail,
	type ModuleLimits,
	type ModuleState,
	type ModuleType,
	type SiteRules,
	type StringDevices,
	type StringFuse,
	type StringRecord,
	type Structure,
	STRUCTURES,
	type System,
	SYSTEMS,
	typesInString,
	UNKNOWN_LIMITS,
	UNKNOWN_RULES,
	UNSEEN_STRING
} from './record';
export { holdsAll, type RecordHit, searchRecord, wordsOf } from './search';
export type { PartFields, SpecField } from './spec';
export { marksOf, type StringGroup, stringGroups } from './string-groups';
export {
	expectedKinds,
	type Station,
	STATIONS,
	type Unknown,
	type UnknownPlace,
	unknownsOf
} from './unknowns';
export { BLOCKING_WORDS, MODULE_STATE_WORDS, STRUCTURE_WORDS, SYSTEM_WORDS } from './words';
export { type NameOfPart, PART_NAMES, type RecordMessages } from './messages';
