import type { Selectable } from 'kysely';
import {
	FORMAT,
	VERSION,
	conditionsSchema,
	metersSchema,
	readingSchema,
	type VisitDocument
} from '$core/document/visit';
import { placeKey, standingReadings } from '$core/expectation/standing';
import type { ConditionsEntry, Reading, Visit, Withdrawal } from '$core/expectation/visit';
import { refuse, succeed, type Result } from '$core/units/result';
import type { Db, DbOrTransaction } from '../database/open';
import type { ConditionsTable, ReadingTable } from '../database/schema';
import { inspectionOf } from './inspection';
import { findRevision, findSite } from './sites';

export interface VisitLine {
	readonly id: string;
	readonly startedAt: string;
	readonly by: string;
	readonly reason: string;
	readonly readings: number;
}

/** Newest visits of a site. */
export async function listVisits(db: Db, siteId: string, limit: number): Promise<VisitLine[]> {
	const rows = await db
		.selectFrom('visit')
		.select((eb) => [
			'id',
			'started_at',
			'by_name',
			'reason',
			eb
				.selectFrom('reading')
				.whereRef('reading.visit_id', '=', 'visit.id')
				.select((e) => e.fn.countAll<number>().as('readings'))
				.as('readings')
		])
		.where('site_id', '=', siteId)
		.orderBy('started_at', 'desc')
		.limit(limit)
		.execute();
	return rows.map((row) => ({
		id: row.id,
		startedAt: row.started_at,
		by: row.by_name,
		reason: row.reason,
		readings: row.readings ?? 0
	}));
}

/** The whole visit with its site and the revision it points at, as the file format has it. */
export async function findVisit(db: DbOrTransaction, id: string): Promise<VisitDocument | null> {
	const row = await db.selectFrom('visit').selectAll().where('id', '=', id).executeTakeFirst();
	if (!row) return null;
	const site = await findSite(db, row.site_id);
	const revision = await findRevision(db, row.revision_id);
	if (!site || !revision) return null;
	const inOrder = { visit: id };
	const [inspection, conditions, readings, withdrawals] = await Promise.all([
		inspectionOf(db, id),
		db
			.selectFrom('conditions')
			.selectAll()
			.where('visit_id', '=', inOrder.visit)
			.orderBy('seq')
			.execute(),
		db
			.selectFrom('reading')
			.selectAll()
			.where('visit_id', '=', inOrder.visit)
			.orderBy('seq')
			.execute(),
		db
			.selectFrom('withdrawal')
			.selectAll()
			.where('visit_id', '=', inOrder.visit)
			.orderBy('seq')
			.execute()
	]);
	return {
		format: FORMAT,
		version: VERSION,
		site,
		revision: { id: revision.id, number: revision.number, createdAt: revision.createdAt },
		record: revision.record as VisitDocument['record'],
		visit: {
			id: row.id,
			startedAt: row.started_at,
			by: row.by_name,
			reason: row.reason,
			note: row.note,
			meters: metersSchema.parse(JSON.parse(row.meters)),
			conditions: conditions.map(asConditions),
			readings: readings.map(asReading),
			withdrawals: withdrawals.map((w) => ({
				id: w.id,
				readingId: w.reading_id,
				at: w.at,
				by: w.by_name
			}))
		},
		inspection
	};
}

function asConditions(row: Selectable<ConditionsTable>) {
	return conditionsSchema.parse({
		id: row.id,
		enteredAt: row.entered_at,
		by: row.by_name,
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

function asReading(row: Selectable<ReadingTable>) {
	return readingSchema.parse({
		id: row.id,
		stringId: row.string_id,
		quantity: row.quantity,
		switchingState: row.switching_state,
		value: row.value,
		atVolts: row.at_volts,
		typed: row.typed,
		confirmed: row.confirmed === 1,
		takenAt: row.taken_at,
		by: row.by_name,
		supersedes: row.supersedes
	});
}

export async function insertVisit(
	db: DbOrTransaction,
	siteId: string,
	revisionId: string,
	visit: Visit
): Promise<void> {
	await db
		.insertInto('visit')
		.values({
			id: visit.id,
			site_id: siteId,
			revision_id: revisionId,
			started_at: visit.startedAt,
			by_name: visit.by,
			reason: visit.reason,
			note: visit.note,
			meters: JSON.stringify(metersSchema.parse(visit.meters))
		})
		.execute();
}

export async function changeMeters(
	db: Db,
	visitId: string,
	meters: Visit['meters']
): Promise<void> {
	await db
		.updateTable('visit')
		.set({ meters: JSON.stringify(metersSchema.parse(meters)) })
		.where('id', '=', visitId)
		.execute();
}

export async function appendConditions(
	db: DbOrTransaction,
	visitId: string,
	entry: ConditionsEntry
): Promise<void> {
	await db
		.insertInto('conditions')
		.values({
			id: entry.id,
			visit_id: visitId,
			entered_at: entry.enteredAt,
			by_name: entry.by,
			irradiance: entry.irradiance.value,
			irradiance_relative_uncertainty: entry.irradiance.relativeStandardUncertainty,
			irradiance_source: entry.irradiance.source,
			cell_temperature: entry.cellTemperature.value,
			cell_temperature_uncertainty: entry.cellTemperature.standardUncertainty,
			cell_temperature_source: entry.cellTemperature.source
		})
		.execute();
}

export async function insertReading(
	db: DbOrTransaction,
	visitId: string,
	reading: Reading
): Promise<void> {
	await db
		.insertInto('reading')
		.values({
			id: reading.id,
			visit_id: visitId,
			string_id: reading.stringId,
			quantity: reading.quantity,
			switching_state: reading.switchingState,
			value: reading.value,
			at_volts: reading.atVolts,
			typed: reading.typed,
			confirmed: reading.confirmed ? 1 : 0,
			taken_at: reading.takenAt,
			by_name: reading.by,
			supersedes: reading.supersedes
		})
		.execute();
}

export async function insertWithdrawal(
	db: DbOrTransaction,
	visitId: string,
	withdrawal: Withdrawal
): Promise<void> {
	await db
		.insertInto('withdrawal')
		.values({
			id: withdrawal.id,
			visit_id: visitId,
			reading_id: withdrawal.readingId,
			at: withdrawal.at,
			by_name: withdrawal.by
		})
		.execute();
}

/** Why a reading was not stored. Nothing that was stored before is touched by a refusal. */
export type ReadingRefusal =
	| { readonly kind: 'no-such-visit' }
	| { readonly kind: 'refused'; readonly words: string }
	/** Another reading stands at the place than the one the person saw. */
	| { readonly kind: 'overtaken'; readonly words: string; readonly standing: Reading }
	/** The figure is surprising and not confirmed. */
	| { readonly kind: 'question'; readonly words: string };

/**
 * Appends a reading. An entry repeated with the same id does no harm; one that was made without
 * seeing what now stands at its place is refused, so that two browsers never overwrite each other.
 *
 * @param ask the question before storing, given the visit as it stands, or null
 */
export async function appendReading(
	db: Db,
	visitId: string,
	reading: Reading,
	ask: (document: VisitDocument) => string | null
): Promise<Result<Reading, ReadingRefusal>> {
	return db.transaction().execute(async (trx): Promise<Result<Reading, ReadingRefusal>> => {
		const document = await findVisit(trx, visitId);
		if (!document) return refuse({ kind: 'no-such-visit' as const });
		const { record, visit } = document;
		const repeated = visit.readings.find((earlier) => earlier.id === reading.id);
		if (repeated) {
			return JSON.stringify(repeated) === JSON.stringify(readingSchema.parse(reading))
				? succeed(repeated)
				: refuse({ kind: 'refused' as const, words: 'Another reading already has this id.' });
		}
		const string = record.strings.find((candidate) => candidate.id === reading.stringId);
		if (!string) {
			return refuse({
				kind: 'refused' as const,
				words: 'The record of this visit has no such string. Load the page again.'
			});
		}
		const standing = standingReadings(visit).get(placeKey(reading.stringId, reading.quantity));
		if ((standing?.id ?? null) !== reading.supersedes) {
			if (!standing) {
				return refuse({
					kind: 'refused' as const,
					words: `The reading of ${string.label} that this one was to replace has been taken back. Enter it again.`
				});
			}
			return refuse({
				kind: 'overtaken' as const,
				standing,
				words: `${standing.by} stored ${standing.value} for ${string.label} meanwhile; yours is ${reading.value}. Store yours in its place, or keep theirs?`
			});
		}
		const question = reading.confirmed ? null : ask(document);
		if (question) return refuse({ kind: 'question' as const, words: question });
		await insertReading(trx, visitId, reading);
		return succeed(reading);
	});
}

/** Takes a reading back; one that was taken back already stays so. */
export async function withdrawReading(
	db: Db,
	visitId: string,
	withdrawal: Withdrawal
): Promise<Result<null, string>> {
	return db.transaction().execute(async (trx): Promise<Result<null, string>> => {
		const document = await findVisit(trx, visitId);
		const { readings = [], withdrawals = [] } = document?.visit ?? {};
		if (!readings.some((reading) => reading.id === withdrawal.readingId)) {
			return refuse('This visit has no such reading. Load the page again.');
		}
		if (!withdrawals.some((earlier) => earlier.readingId === withdrawal.readingId)) {
			await insertWithdrawal(trx, visitId, withdrawal);
		}
		return succeed(null);
	});
}

export async function visitExists(db: DbOrTransaction, id: string): Promise<boolean> {
	const row = await db.selectFrom('visit').select('id').where('id', '=', id).executeTakeFirst();
	return row !== undefined;
}
