import type { Kysely } from 'kysely';

/** A picture of years draws the mean of each day alone. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema.alterTable('watch_day').dropColumn('least').execute();
	await db.schema.alterTable('watch_day').dropColumn('most').execute();
}
