import type { Kysely } from 'kysely';

/** Inspections with their photographs, and the library of components. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema.createIndex('visit_by_revision').on('visit').columns(['revision_id']).execute();

	await db.schema
		.createTable('photograph')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
		.addColumn('taken_at', 'text', (c) => c.notNull())
		.addColumn('added_at', 'text', (c) => c.notNull())
		.addColumn('type', 'text', (c) => c.notNull())
		.addColumn('width', 'integer', (c) => c.notNull())
		.addColumn('height', 'integer', (c) => c.notNull())
		.addColumn('bytes', 'blob', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('photograph_by_visit')
		.on('photograph')
		.columns(['visit_id', 'taken_at'])
		.execute();

	await db.schema
		.createTable('inspection_entry')
		.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('id', 'text', (c) => c.notNull().unique())
		.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
		.addColumn('stop', 'text', (c) => c.notNull())
		.addColumn('outcome', 'text', (c) => c.notNull())
		.addColumn('severity', 'text')
		.addColumn('entry', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('inspection_entry_by_visit')
		.on('inspection_entry')
		.columns(['visit_id', 'seq'])
		.execute();

	await db.schema
		.createTable('library_entry')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('kind', 'text', (c) => c.notNull())
		.addColumn('name', 'text', (c) => c.notNull())
		.addColumn('entry', 'text', (c) => c.notNull())
		.addColumn('changed_at', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('library_entry_by_kind')
		.on('library_entry')
		.columns(['kind', 'name', 'id'])
		.execute();
}
