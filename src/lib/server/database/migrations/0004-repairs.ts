import type { Kysely } from 'kysely';

/** What was done about causes. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema
		.createTable('repair_entry')
		.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('id', 'text', (c) => c.notNull().unique())
		.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
		.addColumn('entry', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('repair_entry_by_visit')
		.on('repair_entry')
		.columns(['visit_id', 'seq'])
		.execute();
}
