import {
	type ConditionsEntry,
	effectiveVisit,
	findCurrentReadings,
	keyOf,
	type MeasuredCurve,
	placeProblem,
	placeWords,
	type Reading,
	type SafetyEntry,
	stringOfPlace,
	type Visit,
	type Withdrawal
} from '$core/visit';
import {
	FORMAT,
	fullWords,
	metersSchema,
	purposeSchema,
	readingSchema,
	VERSION,
	VISIT_LIMITS,
	type VisitDocument
} from '$core/document';
import { gateOfReading, testEquipmentProblem } from '$core/isolation';
import { mergeFields, refuse, type Result, succeed } from '$core/units';
import type { Db, DbOrTransaction } from '../database/open';
import { appendEntry, TAKEN } from './append';
import { entriesOf } from './entries';
import { inspectionOf } from './inspection';
import { photographsOf } from './photographs';
import { findRevision, findSite } from './sites';
import { speakFor } from '$lib/messages/text';

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
	const entered = await entriesOf(db, id);
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
			purpose: purposeSchema.parse(row.purpose),
			reason: row.reason,
			inverterSays: row.inverter_says,
			note: row.note,
			meters: metersSchema.parse(JSON.parse(row.meters)),
			conditions: entered.conditions,
			readings: entered.readings,
			withdrawals: entered.withdrawals,
			safety: entered.safety,
			curves: entered.curves,
			repairs: entered.repairs
		},
		inspection: await inspectionOf(db, id),
		photographs: await photographsOf(db, id)
	};
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
			purpose: visit.purpose,
			reason: visit.reason,
			inverter_says: visit.inverterSays,
			note: visit.note,
			meters: JSON.stringify(metersSchema.parse(visit.meters))
		})
		.execute();
}

/** Makes a visit point at another revision of its site's record. */
export async function pointVisitAt(db: Db, visitId: string, revisionId: string): Promise<void> {
	await db
		.updateTable('visit')
		.set({ revision_id: revisionId })
		.where('id', '=', visitId)
		.execute();
}

/**
 * Stores the limits of error of the meters.
 *
 * @param seen what the person had before them, as JSON
 * @returns false where somebody stored others meanwhile
 */
export async function changeMeters(
	db: Db,
	visitId: string,
	seen: string,
	meters: Visit['meters']
): Promise<boolean> {
	const wanted = JSON.stringify(metersSchema.parse(meters));
	return db.transaction().execute(async (trx) => {
		const row = await trx
			.selectFrom('visit')
			.select('meters')
			.where('id', '=', visitId)
			.executeTakeFirst();
		if (!row) return false;
		// What an earlier version stored lacks what the schema adds.
		const standing = JSON.stringify(metersSchema.parse(JSON.parse(row.meters)));
		if (standing !== seen && standing !== wanted) return false;
		await trx.updateTable('visit').set({ meters: wanted }).where('id', '=', visitId).execute();
		return true;
	});
}

/** Why one comes, and what the inverter says. */
export type VisitReason = Pick<Visit, 'purpose' | 'inverterSays'>;

/**
 * Stores why one comes, merged with what somebody else stored meanwhile.
 *
 * @returns what stands now; what stands where both changed the same; null where there is no such visit
 */
export async function changePurpose(
	db: Db,
	visitId: string,
	seen: VisitReason,
	wanted: VisitReason
): Promise<Result<VisitReason, VisitReason> | null> {
	return db.transaction().execute(async (trx) => {
		const standing = await trx
			.selectFrom('visit')
			.select(['purpose', 'inverter_says as inverterSays'])
			.where('id', '=', visitId)
			.executeTakeFirst();
		if (!standing) return null;
		const reason = { ...standing, purpose: purposeSchema.parse(standing.purpose) };
		const merged = mergeFields(seen, wanted, reason);
		if (!merged.ok) return refuse(reason);
		const { purpose, inverterSays } = merged.value;
		await trx
			.updateTable('visit')
			.set({ purpose, inverter_says: inverterSays })
			.where('id', '=', visitId)
			.execute();
		return merged;
	});
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
			cell_temperature_source: entry.cellTemperature.source,
			basis: entry.basis,
			follows: entry.follows ? 1 : 0,
			field_id: entry.fieldId
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
			string_id: stringOfPlace(reading.place) ?? '',
			place: JSON.stringify(reading.place),
			quantity: reading.quantity,
			switching_state: JSON.stringify(reading.state),
			value: reading.value,
			over_range: reading.overRange ? 1 : 0,
			at_volts: reading.atVolts,
			typed: reading.typed,
			confirmed: reading.confirmed ? 1 : 0,
			source: reading.source,
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
	/** Steps of making safe stand before it. */
	| { readonly kind: 'make-safe'; readonly words: string }
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
		if (visit.readings.length >= VISIT_LIMITS.readings) {
			return refuse({ kind: 'refused' as const, words: fullWords(VISIT_LIMITS.readings) });
		}
		const lost = placeProblem(record, reading.place);
		if (lost) {
			return refuse({ kind: 'refused' as const, words: `${lost} Load the page again.` });
		}
		const ratingProblem = testEquipmentProblem(record, visit.meters, reading);
		if (ratingProblem)
			return refuse({ kind: 'refused' as const, words: speakFor(record.rules)(ratingProblem) });
		const closed = gateWords(document, reading);
		if (closed) return refuse({ kind: 'make-safe' as const, words: closed });
		const standing = findCurrentReadings(visit).get(keyOf(reading));
		if ((standing?.id ?? null) !== reading.supersedes) {
			if (!standing) {
				return refuse({
					kind: 'refused' as const,
					words: `The reading of ${placeWords(record, reading.place)} that this one was to replace has been taken back. Enter it again.`
				});
			}
			return refuse({
				kind: 'overtaken' as const,
				standing,
				words: `${standing.by} stored ${standing.value} for ${placeWords(record, reading.place)} meanwhile; yours is ${reading.value}. Store yours in its place, or keep theirs?`
			});
		}
		const question = reading.confirmed ? null : ask(document);
		if (question) return refuse({ kind: 'question' as const, words: question });
		await insertReading(trx, visitId, reading);
		return succeed(reading);
	});
}

/** What stands before a reading, in words; null where nothing does. */
function gateWords({ record, visit }: VisitDocument, reading: Reading): string | null {
	// Verdicts decide what may be closed again, not what may be read.
	const gate = gateOfReading(record, effectiveVisit(record, visit), new Map(), reading, Date.now);
	return gate.open
		? null
		: `Complete the isolation steps first. Next: ${speakFor(record.rules)(gate.next.step.title).replace(/\.$/, '')}.`;
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
		const taken = withdrawals.find(({ id }) => id === withdrawal.id);
		if (taken && taken.readingId !== withdrawal.readingId) return refuse(TAKEN);
		if (!withdrawals.some((earlier) => earlier.readingId === withdrawal.readingId)) {
			await insertWithdrawal(trx, visitId, withdrawal);
		}
		return succeed(null);
	});
}

/** Appends what was done or proved at a step of making safe; an entry repeated does no harm. */
export async function appendSafety(
	db: DbOrTransaction,
	visitId: string,
	entry: SafetyEntry
): Promise<Result<null, string>> {
	return appendEntry(db, 'safety_entry', visitId, entry);
}

/** Appends a measured curve; one repeated does no harm. */
export async function appendCurve(
	db: DbOrTransaction,
	visitId: string,
	curve: MeasuredCurve
): Promise<Result<null, string>> {
	return appendEntry(db, 'curve', visitId, curve);
}

export async function visitExists(db: DbOrTransaction, id: string): Promise<boolean> {
	const row = await db.selectFrom('visit').select('id').where('id', '=', id).executeTakeFirst();
	return row !== undefined;
}
