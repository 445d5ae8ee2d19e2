import { sql, type Kysely } from 'kysely';
import { usualState } from '$core/visit';

/**
 * Readings at every place with their whole switching state, what was proved in making safe, measured
 * curves, and why a visit is made.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema.alterTable('reading').addColumn('place', 'text').execute();
	await db.schema
		.alterTable('reading')
		.addColumn('source', 'text', (c) => c.notNull().defaultTo('typed'))
		.execute();
	await sql`update reading set place = json_object('kind', 'string', 'string', string_id)`.execute(
		db
	);
	for (const [name, quantity] of [
		['isolated-open-circuit', 'open-circuit-voltage'],
		['isolated-short-circuit', 'short-circuit-current'],
		['operating', 'operating-current']
	] as const) {
		const state = JSON.stringify(usualState(quantity));
		await sql`update reading set switching_state = ${state} where switching_state = ${name}`.execute(
			db
		);
	}

	await db.schema
		.alterTable('visit')
		.addColumn('purpose', 'text', (c) => c.notNull().defaultTo('routine'))
		.execute();
	await db.schema
		.alterTable('visit')
		.addColumn('inverter_says', 'text', (c) => c.notNull().defaultTo(''))
		.execute();
	await db.schema
		.alterTable('conditions')
		.addColumn('basis', 'text', (c) => c.notNull().defaultTo(''))
		.execute();
	await db.schema
		.alterTable('conditions')
		.addColumn('follows', 'integer', (c) => c.notNull().defaultTo(0))
		.execute();

	for (const table of ['safety_entry', 'curve']) {
		await db.schema
			.createTable(table)
			.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
			.addColumn('id', 'text', (c) => c.notNull().unique())
			.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
			.addColumn('entry', 'text', (c) => c.notNull())
			.execute();
		await db.schema
			.createIndex(`${table}_by_visit`)
			.on(table)
			.columns(['visit_id', 'seq'])
			.execute();
	}
}
