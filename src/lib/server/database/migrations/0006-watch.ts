import { sql, type Kysely } from 'kysely';

/**
 * Monitoring exports. Samples lie in blocks of one unit's quantity and one day, as they came with one
 * import, so that an import can be taken back whole; beside each block stands what a chart of years
 * needs of it, so that such a chart reads no block.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
	await db.schema
		.createTable('watch_import')
		.addColumn('id', 'text', (c) => c.primaryKey())
		.addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
		.addColumn('file', 'text', (c) => c.notNull())
		.addColumn('added_at', 'text', (c) => c.notNull())
		.addColumn('state', 'text', (c) => c.notNull())
		.addColumn('samples', 'integer', (c) => c.notNull())
		.addColumn('first_at', 'integer')
		.addColumn('last_at', 'integer')
		.addColumn('report', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('watch_import_by_site')
		.on('watch_import')
		.columns(['site_id', 'added_at'])
		.execute();
	await db.schema
		.createTable('watch_unit')
		.addColumn('id', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
		.addColumn('name', 'text', (c) => c.notNull())
		.addColumn('target', 'text', (c) => c.notNull())
		.addUniqueConstraint('watch_unit_name', ['site_id', 'name'])
		.execute();
	await db.schema
		.createTable('watch_series')
		.addColumn('id', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('unit_id', 'integer', (c) => c.notNull().references('watch_unit.id'))
		.addColumn('quantity', 'text', (c) => c.notNull())
		.addUniqueConstraint('watch_series_quantity', ['unit_id', 'quantity'])
		.execute();
	await db.schema
		.createTable('watch_block')
		.addColumn('id', 'integer', (c) => c.primaryKey())
		.addColumn('series_id', 'integer', (c) => c.notNull().references('watch_series.id'))
		.addColumn('day', 'integer', (c) => c.notNull())
		.addColumn('import_id', 'text', (c) => c.notNull().references('watch_import.id'))
		.addColumn('seconds', 'blob', (c) => c.notNull())
		.addColumn('figures', 'blob', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('watch_block_by_day')
		.on('watch_block')
		.columns(['series_id', 'day'])
		.execute();
	await db.schema
		.createIndex('watch_block_by_import')
		.on('watch_block')
		.column('import_id')
		.execute();
	await db.schema
		.createTable('watch_day')
		.addColumn('series_id', 'integer', (c) => c.notNull())
		.addColumn('day', 'integer', (c) => c.notNull())
		.addColumn('block_id', 'integer', (c) =>
			c.notNull().references('watch_block.id').onDelete('cascade')
		)
		.addColumn('import_id', 'text', (c) => c.notNull())
		.addColumn('count', 'integer', (c) => c.notNull())
		.addColumn('least', 'real', (c) => c.notNull())
		.addColumn('most', 'real', (c) => c.notNull())
		.addColumn('sum', 'real', (c) => c.notNull())
		.addPrimaryKeyConstraint('watch_day_key', ['series_id', 'day', 'block_id'])
		.modifyEnd(sql`without rowid`)
		.execute();
	await db.schema.createIndex('watch_day_by_block').on('watch_day').column('block_id').execute();
	await db.schema
		.createTable('watch_setting')
		.addColumn('site_id', 'text', (c) => c.primaryKey().references('site.id'))
		.addColumn('settings', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createTable('benchmark_entry')
		.addColumn('seq', 'integer', (c) => c.primaryKey().autoIncrement())
		.addColumn('id', 'text', (c) => c.notNull().unique())
		.addColumn('site_id', 'text', (c) => c.notNull().references('site.id'))
		.addColumn('entry', 'text', (c) => c.notNull())
		.execute();
	await db.schema
		.createIndex('benchmark_entry_by_site')
		.on('benchmark_entry')
		.column('site_id')
		.execute();
}
