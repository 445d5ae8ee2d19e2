import {
	type BenchmarkEntry,
	benchmarkEntrySchema,
	type MonitoringSettings,
	monitoringSettingsSchema,
	NO_SETTINGS
} from '$core/document';
import type { DbOrTransaction } from '../database/open';

export async function monitoringSettings(
	db: DbOrTransaction,
	siteId: string
): Promise<MonitoringSettings> {
	const row = await db
		.selectFrom('watch_setting')
		.select('settings')
		.where('site_id', '=', siteId)
		.executeTakeFirst();
	return row ? monitoringSettingsSchema.parse(JSON.parse(row.settings)) : NO_SETTINGS;
}

/** Whether anybody has said what the watch of a site goes by. */
export async function hasMonitoringSettings(db: DbOrTransaction, siteId: string): Promise<boolean> {
	const row = await db
		.selectFrom('watch_setting')
		.select('site_id')
		.where('site_id', '=', siteId)
		.executeTakeFirst();
	return row !== undefined;
}

export async function saveMonitoringSettings(
	db: DbOrTransaction,
	siteId: string,
	settings: MonitoringSettings
): Promise<void> {
	const text = JSON.stringify(settings);
	await db
		.insertInto('watch_setting')
		.values({ site_id: siteId, settings: text })
		.onConflict((conflict) => conflict.column('site_id').doUpdateSet({ settings: text }))
		.execute();
}

/** Measurements on benchmark days, in the order of entry. */
export async function benchmarkEntries(
	db: DbOrTransaction,
	siteId: string
): Promise<BenchmarkEntry[]> {
	const rows = await db
		.selectFrom('benchmark_entry')
		.select('entry')
		.where('site_id', '=', siteId)
		.orderBy('seq')
		.execute();
	return rows.map(({ entry }) => benchmarkEntrySchema.parse(JSON.parse(entry)));
}

/** Puts a measurement in; the same one repeated does no harm. @returns false where another has its id */
export async function addBenchmarkEntry(
	db: DbOrTransaction,
	siteId: string,
	entry: BenchmarkEntry
): Promise<boolean> {
	const text = JSON.stringify(entry);
	const { numInsertedOrUpdatedRows: added } = await db
		.insertInto('benchmark_entry')
		.values({ id: entry.id, site_id: siteId, entry: text })
		.onConflict((conflict) => conflict.column('id').doNothing())
		.executeTakeFirstOrThrow();
	if (added === 1n) return true;
	const here = await db
		.selectFrom('benchmark_entry')
		.select(['site_id', 'entry'])
		.where('id', '=', entry.id)
		.executeTakeFirstOrThrow();
	return here.site_id === siteId && here.entry === text;
}

export async function removeBenchmarkEntry(
	db: DbOrTransaction,
	siteId: string,
	id: string
): Promise<void> {
	await db
		.deleteFrom('benchmark_entry')
		.where('site_id', '=', siteId)
		.where('id', '=', id)
		.execute();
}
