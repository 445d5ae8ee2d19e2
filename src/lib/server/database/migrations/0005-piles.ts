import type { Kysely } from 'kysely';

/** Piles of used modules on the bench. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema
		.createTable('pile')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('name', 'text', (c) => c.notNull())
		.addColumn('version', 'integer', (c) => c.notNull())
		.addColumn('modules', 'integer', (c) => c.notNull())
		.addColumn('document', 'text', (c) => c.notNull())
		.addColumn('changed_at', 'text', (c) => c.notNull())
		.execute();
	await db.schema.createIndex('pile_by_change').on('pile').columns(['changed_at', 'id']).execute();
}
