export { changeRequestSchema } from './change';
export {
	atVoltageSchema,
	busCircuitSchema,
	busOfShortCircuit,
	shortCircuitSchema
} from './circuit';
export { type ConditionsForm, conditionsFormSchema, conditionsOfForm } from './conditions-form';
export { CURVE_COLUMNS, pointsOfLines, pointsOfText } from './csv/curve';
export {
	importModuleTypes,
	MODULE_TYPE_COLUMNS,
	moduleTypeRows,
	typeColumns,
	typeRows,
	typesOfLines
} from './csv/library';
export { BATCH_COLUMNS, importTests } from './csv/module-batch';
export { importModules, MODULE_COLUMNS, moduleRows, serialsOf } from './csv/modules';
export { importStrings, STRING_COLUMNS, stringRows } from './csv/strings';
export {
	type Columns,
	type Mapping,
	matchColumns,
	missingColumns,
	MOST_LINES,
	type ReadLine,
	readTable,
	type RefusedLine
} from './csv/table';
export { type FigureLimits, figureOrUnknown, figureValue, readFigure } from './figure';
export {
	LARGEST_ARCHIVE,
	LARGEST_FILE,
	largestUpload,
	type Problem,
	problemOf,
	readVisitData,
	readVisitDocument,
	tooLarge,
	writeVisitDocument
} from './file';
export { INFRARED_LIMITS, inspectionEntrySchema } from './inspection';
export type { InverterReading } from './inverter-reading';
export { visitJsonSchema } from './json-schema';
export {
	formOfModuleType,
	type LabelForm,
	labelFormSchema,
	moduleTypeOfForm,
	nameplateOfForm
} from './label-form';
export { expandLabels } from './label-list';
export {
	LIBRARY_KINDS,
	LIBRARY_PARTS,
	type LibraryEntry,
	libraryEntrySchema,
	libraryFields,
	type LibraryKind,
	libraryKindWords,
	type LibraryPart,
	partOfEntry,
	readLibrary,
	writeLibrary
} from './library/library';
export { STARTING_SET } from './library/starting-set';
export { formOfMeters, type MetersForm, metersFormSchema, metersOfForm } from './meters-form';
export { BATCH_LIMITS, batchSchema } from './module-batch';
export {
	type BenchmarkEntry,
	benchmarkEntrySchema,
	type ImportReport,
	importReportSchema,
	type ImportStart,
	importStartSchema,
	type MonitoringSettings,
	monitoringSettingsSchema,
	NO_SETTINGS,
	targetSchema
} from './monitoring';
export { looksNeutral, readNeutral } from './neutral';
export { parseJson } from './parse-json';
export { type FieldErrors, formOfPart, partOfForm, readSpecs, typedSpecs } from './part-form';
export { type PhotographLine, photographSchema } from './photograph';
export {
	isBareJpeg,
	LARGEST_PICTURE,
	PICTURE,
	pictureFile,
	pictureType,
	storedSize
} from './picture';
export {
	curveSchema,
	READING_LIMITS,
	readingSchema,
	REPAIR_TEXT,
	repairSchema,
	safetyEntrySchema,
	withdrawalSchema
} from './reading';
export { RECORD_LIMITS } from './record-limits';
export { arrayRecordSchema, instant, RATE_LIMITS, whatDoesNotHold } from './record';
export { siteFormSchema } from './site-form';
export {
	readSiteDocument,
	SITE_FORMAT,
	type SiteDocument,
	siteJsonSchema,
	type SiteVisit,
	writeSiteDocument
} from './site';
export {
	cableResistanceOfForm,
	EMPTY_STRING_FORM,
	formOfString,
	stringFieldsOfForm,
	type StringForm,
	stringFormSchema
} from './string-form';
export { BEHIND, type EndKind, recordOfSurvey, type Survey, unseenEnd } from './survey';
export type { VisitEvent } from './visit-event';
export { visitFormSchema } from './visit-form';
export { fullWords, VISIT_LIMITS } from './visit-limits';
export {
	conditionsSchema,
	FORMAT,
	metersSchema,
	purposeSchema,
	type Site,
	VERSION,
	VISIT_TEXT,
	type VisitDocument
} from './visit';
