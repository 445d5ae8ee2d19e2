import type { Kysely } from 'kysely';

/** What holds for this Zembo as a whole. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema
		.createTable('setting')
		.addColumn('name', 'text', (c) => c.primaryKey())
		.addColumn('value', 'text', (c) => c.notNull())
		.execute();
}
