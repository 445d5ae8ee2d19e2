import type { Kysely } from 'kysely';

/** What a list of sites shows of a record, so that no list reads whole records. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema.alterTable('site_revision').addColumn('outline', 'text').execute();
}
