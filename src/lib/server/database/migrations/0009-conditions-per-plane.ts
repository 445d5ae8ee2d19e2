import type { Kysely } from 'kysely';

/** Conditions name the field on whose plane they were measured. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema.alterTable('conditions').addColumn('field_id', 'text').execute();
}
