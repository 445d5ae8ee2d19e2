export { answerBattery, shadeOnBattery } from './battery';
export { waysToAdd } from './configuration/add';
export {
	answerConfiguration,
	type ConfigurationAnswer,
	type ConfigurationPlace,
	TRACKER
} from './configuration/answer';
export type { ConfigurationParts } from './configuration/elements';
export { readConfiguration, writeConfiguration } from './configuration/notation';
export {
	blockingEffect,
	FULL_SUN_HOURS,
	shortedBranches,
	shortedModule
} from './configuration/protection';
export {
	type ArrayConfiguration,
	type ConfigurationModule,
	configurationOf,
	joined,
	modulesOf,
	tidy,
	withPart
} from './configuration/tree';
export { evaluateBatch, type ModuleResult } from './evaluate';
export type { Grade, Graded } from './grade';
export { fillUp, freeSwaps, readGrouping } from './grouping/explain';
export {
	findGrouping,
	FREE_TARGET,
	type Grouping,
	type GroupingAsk,
	groupingGives,
	type GroupingProgress,
	type StringGives,
	type Target
} from './grouping/grouping';
export { type Bin, histogramOf, ranked } from './histogram';
export { assumedCellTemperature } from './irradiance';
export {
	type BatchModule,
	type BatchNameplate,
	type Control,
	DANGEROUS_LOOKS,
	EMPTY_BATCH,
	type GradeLimits,
	LOOK_WORDS,
	LOOKS,
	type ModuleBatch,
	NO_LABEL,
	type Take,
	USUAL_LIMITS
} from './module-batch';
export { labelFindings, nameplateOf } from './nameplate-of';
export { referenceModuleDue } from './reference-module-due';
export { answerRun } from './run';
export { scaleGroup, solarTime } from './scale';
export { type Candidate, substitutesFor } from './substitute';
export { asNameplate, asTested, type TestedModule, WARM_SUN } from './tested';
export { modulesToBuy, wordsToBuy } from './to-buy';
export { noPoolWords, unjudgedWords } from './unjudged';
export { answerWire } from './wire';
export { answerWorth, clippingPaysIn } from './worth';
