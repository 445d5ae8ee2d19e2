import type { Kysely } from 'kysely';

/** A reading may be over range; its value is then the limit of the meter's range. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema
		.alterTable('reading')
		.addColumn('over_range', 'integer', (column) => column.notNull().defaultTo(0))
		.execute();
}
