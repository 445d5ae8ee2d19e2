import type { Selectable } from 'kysely';
import { LRUCache } from 'lru-cache';
import {
	conditionsSchema,
	curveSchema,
	readingSchema,
	repairSchema,
	safetyEntrySchema
} from '$core/document';
import type {
	ConditionsEntry,
	MeasuredCurve,
	Reading,
	RepairEntry,
	SafetyEntry,
	Withdrawal
} from '$core/visit';
import type { DbOrTransaction } from '../database/open';
import type { ConditionsTable, ReadingTable, Tables } from '../database/schema';

/*
 * What was entered in a visit. These tables are append-only, so a row that was read once is kept as it
 * is, and only rows after it are read again: a visit of thousands of readings is not parsed anew for
 * each one. Rows are loaded before a transaction writes, never after, so no row is kept that is rolled
 * back.
 */

/** What a visit holds beside its own row. */
export interface Entries {
	readonly conditions: ConditionsEntry[];
	readonly readings: Reading[];
	readonly withdrawals: Withdrawal[];
	readonly safety: SafetyEntry[];
	readonly curves: MeasuredCurve[];
	readonly repairs: RepairEntry[];
}

type EntryTableName =
	| 'conditions'
	| 'reading'
	| 'withdrawal'
	| 'safety_entry'
	| 'curve'
	| 'repair_entry';

interface Kept {
	readonly entries: Entries;
	readonly upTo: Record<EntryTableName, number>;
}

/** Bytes that an entry takes, roughly, and a point of a curve. */
const ROOM = { entry: 800, point: 100 };

function roomOf({ entries }: Kept): number {
	const lists = Object.values(entries) as readonly (readonly unknown[])[];
	const count = lists.reduce((sum, list) => sum + list.length, 1);
	const points = entries.curves.reduce((sum, curve) => sum + curve.points.length, 0);
	return ROOM.entry * count + ROOM.point * points;
}

/** Visits kept, the least used ones let go. Bytes, roughly. */
const newCache = () =>
	new LRUCache<string, Kept>({ max: 64, maxSize: 96 * 1024 * 1024, sizeCalculation: roomOf });
const caches = new WeakMap<object, LRUCache<string, Kept>>();

/** All that was entered in a visit, in the order of arrival. */
export async function entriesOf(db: DbOrTransaction, visitId: string): Promise<Entries> {
	const kept = keptOf(db, visitId);
	const fresh = async <T extends EntryTableName>(table: T) => {
		const rows = await db
			.selectFrom(table as EntryTableName)
			.selectAll()
			.where('visit_id', '=', visitId)
			.where('seq', '>', kept.upTo[table])
			.orderBy('seq')
			.execute();
		// Another request may have read the same rows meanwhile.
		const unseen = rows.filter(({ seq }) => seq > kept.upTo[table]);
		kept.upTo[table] = Math.max(kept.upTo[table], rows.at(-1)?.seq ?? 0);
		return unseen as unknown as Selectable<Tables[T]>[];
	};
	const { entries } = kept;
	for (const row of await fresh('conditions')) entries.conditions.push(asConditions(row));
	for (const row of await fresh('reading')) entries.readings.push(asReading(row));
	for (const { id, reading_id: readingId, at, by_name: by } of await fresh('withdrawal')) {
		entries.withdrawals.push({ id, readingId, at, by });
	}
	for (const { entry } of await fresh('safety_entry')) {
		entries.safety.push(safetyEntrySchema.parse(JSON.parse(entry)));
	}
	for (const { entry } of await fresh('curve')) {
		entries.curves.push(curveSchema.parse(JSON.parse(entry)));
	}
	for (const { entry } of await fresh('repair_entry')) {
		entries.repairs.push(repairSchema.parse(JSON.parse(entry)));
	}
	return {
		conditions: [...entries.conditions],
		readings: [...entries.readings],
		withdrawals: [...entries.withdrawals],
		safety: [...entries.safety],
		curves: [...entries.curves],
		repairs: [...entries.repairs]
	};
}

function keptOf(db: DbOrTransaction, visitId: string): Kept {
	// A database and its transactions share their adapter, and nothing else does.
	const { adapter } = db.getExecutor();
	const visits = caches.get(adapter) ?? newCache();
	caches.set(adapter, visits);
	const kept = visits.get(visitId) ?? {
		entries: {
			conditions: [],
			readings: [],
			withdrawals: [],
			safety: [],
			curves: [],
			repairs: []
		},
		upTo: {
			conditions: 0,
			reading: 0,
			withdrawal: 0,
			safety_entry: 0,
			curve: 0,
			repair_entry: 0
		}
	};
	// Put in anew each time: its room grows with what is entered.
	visits.delete(visitId);
	visits.set(visitId, kept);
	return kept;
}

function asConditions(row: Selectable<ConditionsTable>): ConditionsEntry {
	return conditionsSchema.parse({
		id: row.id,
		enteredAt: row.entered_at,
		by: row.by_name,
		basis: row.basis,
		follows: row.follows === 1,
		fieldId: row.field_id,
		irradiance: {
			value: row.irradiance,
			relativeStandardUncertainty: row.irradiance_relative_uncertainty,
			source: row.irradiance_source
		},
		cellTemperature: {
			value: row.cell_temperature,
			standardUncertainty: row.cell_temperature_uncertainty,
			source: row.cell_temperature_source
		}
	});
}

function asReading(row: Selectable<ReadingTable>): Reading {
	return readingSchema.parse({
		id: row.id,
		place: JSON.parse(row.place) as unknown,
		quantity: row.quantity,
		state: JSON.parse(row.switching_state) as unknown,
		value: row.value,
		...(row.over_range === 1 && { overRange: true }),
		atVolts: row.at_volts,
		typed: row.typed,
		confirmed: row.confirmed === 1,
		source: row.source,
		takenAt: row.taken_at,
		by: row.by_name,
		supersedes: row.supersedes
	});
}
