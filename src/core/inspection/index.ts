export {
	currentEntries,
	type InfraredPattern,
	type InspectionEntry,
	type InspectionPlace,
	OUTCOMES,
	PATTERNS,
	SEVERITIES,
	type Severity,
	SEVERITY_WORDS
} from './entry';
export { scaleInfrared } from './infrared';
export { type MeasuredItem, STATION_WORDS } from './items';
export {
	inspectionOf,
	type InspectionStop,
	measuredAt,
	outcomeOfStop,
	placeOfDefect
} from './progress';
export type { InspectionMessages } from './messages';
