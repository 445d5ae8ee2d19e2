import type { Kysely } from 'kysely';

/** The first tables: sites and the revisions of their record, visits, conditions, readings. */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema
		.createTable('site')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('name', 'text', (c) => c.notNull())
		.addColumn('place', 'text', (c) => c.notNull())
		.addColumn('time_zone', 'text', (c) => c.notNull())
		.addColumn('created_at', 'text', (c) => c.notNull())
		.execute();
	await db.schema.createIndex('site_by_name').on('site').columns(['name', 'id']).execute();

	await db.schema
		.createTable('site_revision')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
		.addColumn('number', 'integer', (c) => c.notNull())
		.addColumn('created_at', 'text', (c) => c.notNull())
		.addColumn('record', 'text', (c) => c.notNull())
		.addUniqueConstraint('site_revision_number', ['site_id', 'number'])
		.execute();

	await db.schema
		.createTable('visit')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
		.addColumn('revision_id', 'text', (c) => c.notNull().references('site_revision.id'))
		.addColumn('started_at', 'text', (c) => c.notNull())
		.addColumn('by_name', 'text', (c) => c.notNull())
		.addColumn('reason', 'text', (c) => c.notNull())
		.addColumn('note', 'text', (c) => c.notNull())
		.addColumn('meters', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('visit_by_site')
		.on('visit')
		.columns(['site_id', 'started_at'])
		.execute();

	await db.schema
		.createTable('conditions')
		.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('id', 'text', (c) => c.notNull().unique())
		.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
		.addColumn('entered_at', 'text', (c) => c.notNull())
		.addColumn('by_name', 'text', (c) => c.notNull())
		.addColumn('irradiance', 'real', (c) => c.notNull())
		.addColumn('irradiance_relative_uncertainty', 'real', (c) => c.notNull())
		.addColumn('irradiance_source', 'text', (c) => c.notNull())
		.addColumn('cell_temperature', 'real', (c) => c.notNull())
		.addColumn('cell_temperature_uncertainty', 'real', (c) => c.notNull())
		.addColumn('cell_temperature_source', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('conditions_by_visit')
		.on('conditions')
		.columns(['visit_id', 'seq'])
		.execute();

	await db.schema
		.createTable('reading')
		.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('id', 'text', (c) => c.notNull().unique())
		.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
		.addColumn('string_id', 'text', (c) => c.notNull())
		.addColumn('quantity', 'text', (c) => c.notNull())
		.addColumn('switching_state', 'text', (c) => c.notNull())
		.addColumn('value', 'real', (c) => c.notNull())
		.addColumn('at_volts', 'real')
		.addColumn('typed', 'text', (c) => c.notNull())
		.addColumn('confirmed', 'integer', (c) => c.notNull())
		.addColumn('taken_at', 'text', (c) => c.notNull())
		.addColumn('by_name', 'text', (c) => c.notNull())
		.addColumn('supersedes', 'text', (c) => c.references('reading.id'))
		.execute();
	await db.schema
		.createIndex('reading_by_visit')
		.on('reading')
		.columns(['visit_id', 'seq'])
		.execute();

	await db.schema
		.createTable('withdrawal')
		.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('id', 'text', (c) => c.notNull().unique())
		.addColumn('visit_id', 'text', (c) => c.notNull().references('visit.id'))
		.addColumn('reading_id', 'text', (c) => c.notNull().unique().references('reading.id'))
		.addColumn('at', 'text', (c) => c.notNull())
		.addColumn('by_name', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('withdrawal_by_visit')
		.on('withdrawal')
		.columns(['visit_id', 'seq'])
		.execute();
}
