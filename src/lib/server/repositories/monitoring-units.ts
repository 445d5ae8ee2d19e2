import type { Target } from '$core/monitoring';
import { targetSchema } from '$core/document';
import type { DbOrTransaction } from '../database/open';

/** A unit as the exports name it. */
export interface MonitoredUnit {
	readonly id: number;
	readonly name: string;
	/** The part of the record that it is; null where nobody has said. */
	readonly target: Target | null;
	readonly quantities: readonly string[];
	/** First and last day with samples, days since 1970-01-01. */
	readonly first: number;
	readonly last: number;
}

/** Units of a site in the order in which they came. */
export async function listUnits(db: DbOrTransaction, siteId: string): Promise<MonitoredUnit[]> {
	const rows = await db
		.selectFrom('watch_unit as unit')
		.innerJoin('watch_series as series', 'series.unit_id', 'unit.id')
		.select(['unit.id', 'unit.name', 'unit.target', 'series.quantity'])
		.select((eb) =>
			(['asc', 'desc'] as const).map((order) =>
				eb
					.selectFrom('watch_day as day')
					.innerJoin('watch_import as import', 'import.id', 'day.import_id')
					.select('day.day')
					.whereRef('day.series_id', '=', 'series.id')
					.where('import.state', '=', 'done')
					.orderBy('day.day', order)
					.limit(1)
					.as(order === 'asc' ? 'first' : 'last')
			)
		)
		.where('unit.site_id', '=', siteId)
		.orderBy('unit.id')
		.orderBy('series.id')
		.execute();
	const units = new Map<number, MonitoredUnit>();
	for (const { id, name, target, quantity, first, last } of rows) {
		// Nothing of an import that still runs is shown.
		if (first === null || last === null) continue;
		const before = units.get(id);
		units.set(id, {
			id,
			name,
			target: readTarget(target),
			quantities: [...(before?.quantities ?? []), quantity],
			first: Math.min(before?.first ?? first, first),
			last: Math.max(before?.last ?? last, last)
		});
	}
	return [...units.values()];
}

/** Units of a site with their parts alone: what a chart asks for again and again. */
export async function unitTargets(
	db: DbOrTransaction,
	siteId: string
): Promise<Pick<MonitoredUnit, 'id' | 'name' | 'target'>[]> {
	const rows = await db
		.selectFrom('watch_unit')
		.select(['id', 'name', 'target'])
		.where('site_id', '=', siteId)
		.orderBy('id')
		.execute();
	return rows.map(({ id, name, target }) => ({ id, name, target: readTarget(target) }));
}

function readTarget(text: string): Target | null {
	return targetSchema.nullable().parse(JSON.parse(text));
}

/** Id of the series of a unit and a quantity; both are put in where they are new. */
export async function seriesIdOf(
	db: DbOrTransaction,
	siteId: string,
	name: string,
	quantity: string
): Promise<number> {
	const unit = await db
		.insertInto('watch_unit')
		.values({ site_id: siteId, name, target: 'null' })
		.onConflict((conflict) => conflict.columns(['site_id', 'name']).doUpdateSet({ name }))
		.returning('id')
		.executeTakeFirstOrThrow();
	const series = await db
		.insertInto('watch_series')
		.values({ unit_id: unit.id, quantity })
		.onConflict((conflict) => conflict.columns(['unit_id', 'quantity']).doUpdateSet({ quantity }))
		.returning('id')
		.executeTakeFirstOrThrow();
	return series.id;
}

/** Says which part of the record some units are. */
export async function setTargets(
	db: DbOrTransaction,
	siteId: string,
	targets: ReadonlyMap<string, Target | null>
): Promise<void> {
	for (const [name, target] of targets) {
		await db
			.updateTable('watch_unit')
			.set({ target: JSON.stringify(target) })
			.where('site_id', '=', siteId)
			.where('name', '=', name)
			.execute();
	}
}
