import type { Generated } from 'kysely';

/*
 * The tables as Kysely sees them. Values in base units, instants in UTC as ISO 8601, ids UUIDv7 made
 * where the entry was made. `seq` keeps the order of arrival, which is the order of the file format.
 */

interface SiteTable {
	id: string;
	name: string;
	place: string;
	time_zone: string;
	created_at: string;
}

/** Never rewritten: a change of the record is a new revision, and a visit points at one. */
interface SiteRevisionTable {
	id: string;
	site_id: string;
	number: number;
	created_at: string;
	/** ArrayRecord as JSON. */
	record: string;
	/** RecordOutline as JSON; null until a list first shows a revision that was stored before there were any. */
	outline: string | null;
}

interface VisitTable {
	id: string;
	site_id: string;
	revision_id: string;
	started_at: string;
	by_name: string;
	purpose: Generated<string>;
	reason: string;
	inverter_says: Generated<string>;
	note: string;
	/** The two meters as JSON. */
	meters: string;
}

export interface ConditionsTable {
	seq: Generated<number>;
	id: string;
	visit_id: string;
	entered_at: string;
	by_name: string;
	irradiance: number;
	irradiance_relative_uncertainty: number;
	irradiance_source: string;
	cell_temperature: number;
	cell_temperature_uncertainty: number;
	cell_temperature_source: string;
	basis: Generated<string>;
	follows: Generated<number>;
	/** The field they were measured on; null where nobody said. */
	field_id: string | null;
}

/** Append-only: a correction supersedes, an undo withdraws, nothing is updated. */
export interface ReadingTable {
	seq: Generated<number>;
	id: string;
	visit_id: string;
	/** The string its place belongs to, or empty. */
	string_id: string;
	/** Place as JSON. */
	place: string;
	quantity: string;
	/** SwitchingState as JSON, or "null". */
	switching_state: string;
	value: number;
	over_range: Generated<number>;
	at_volts: number | null;
	typed: string;
	confirmed: number;
	source: Generated<string>;
	taken_at: string;
	by_name: string;
	supersedes: string | null;
}

interface WithdrawalTable {
	seq: Generated<number>;
	id: string;
	visit_id: string;
	reading_id: string;
	at: string;
	by_name: string;
}

/** Append-only; the entry as JSON. */
interface EntryTable {
	seq: Generated<number>;
	id: string;
	visit_id: string;
	entry: string;
}

interface PhotographTable {
	id: string;
	visit_id: string;
	taken_at: string;
	added_at: string;
	type: string;
	/** px */
	width: number;
	height: number;
	bytes: Buffer;
}

/** Append-only, as readings are. */
interface InspectionEntryTable {
	seq: Generated<number>;
	id: string;
	visit_id: string;
	stop: string;
	outcome: string;
	severity: string | null;
	/** InspectionEntry as JSON. */
	entry: string;
}

interface LibraryEntryTable {
	id: string;
	kind: string;
	name: string;
	/** LibraryEntry as JSON. */
	entry: string;
	changed_at: string;
}

interface PileTable {
	id: string;
	name: string;
	/** Counts up with every change: a change is made to the one it was read from. */
	version: number;
	/** Modules in it. */
	modules: number;
	/** Pile as JSON. */
	document: string;
	changed_at: string;
}

interface MonitoringImportTable {
	id: string;
	site_id: string;
	file: string;
	added_at: string;
	/** 'running' until all of it is there; nothing of a running one is shown. */
	state: 'running' | 'done';
	samples: number;
	/** s since 1970-01-01 UTC */
	first_at: number | null;
	last_at: number | null;
	/** ImportReport as JSON. */
	report: string;
}

/** A unit as an export names it. */
interface WatchUnitTable {
	id: Generated<number>;
	site_id: string;
	name: string;
	/** Target as JSON, or "null". */
	target: string;
}

interface WatchSeriesTable {
	id: Generated<number>;
	unit_id: number;
	quantity: string;
}

interface WatchBlockTable {
	id: Generated<number>;
	series_id: number;
	/** Since 1970-01-01 UTC. */
	day: number;
	import_id: string;
	/** Of the day, as 32-bit whole numbers, rising. */
	seconds: Buffer;
	/** As 64-bit floating-point numbers. */
	figures: Buffer;
}

interface WatchDayTable {
	series_id: number;
	day: number;
	block_id: number;
	import_id: string;
	count: number;
	sum: number;
}

interface WatchSettingTable {
	site_id: string;
	/** WatchSettings as JSON. */
	settings: string;
}

/** Append-only. */
interface BenchmarkEntryTable {
	seq: Generated<number>;
	id: string;
	site_id: string;
	/** BenchmarkEntry as JSON. */
	entry: string;
}

interface SettingTable {
	name: string;
	/** JSON */
	value: string;
}

export interface Tables {
	site: SiteTable;
	site_revision: SiteRevisionTable;
	visit: VisitTable;
	conditions: ConditionsTable;
	reading: ReadingTable;
	withdrawal: WithdrawalTable;
	safety_entry: EntryTable;
	curve: EntryTable;
	repair_entry: EntryTable;
	photograph: PhotographTable;
	inspection_entry: InspectionEntryTable;
	library_entry: LibraryEntryTable;
	pile: PileTable;
	watch_import: MonitoringImportTable;
	watch_unit: WatchUnitTable;
	watch_series: WatchSeriesTable;
	watch_block: WatchBlockTable;
	watch_day: WatchDayTable;
	watch_setting: WatchSettingTable;
	benchmark_entry: BenchmarkEntryTable;
	setting: SettingTable;
}
