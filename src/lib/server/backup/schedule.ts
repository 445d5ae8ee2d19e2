import { z } from 'zod';
import type { Db, DbOrTransaction } from '../database/open';
import { backUpInOwnProcess, backUpHere, type MakeBackup } from './own-process';
import { backupFolder, copiesAt, pruneBackups } from './backup';

const scheduleSchema = z.strictObject({
	/** Hours from one copy to the next; null for none by itself. */
	hours: z.int().min(1).max(720).nullable(),
	/** Copies that are kept. */
	keep: z.int().min(1).max(1000)
});
export type BackupSchedule = z.infer<typeof scheduleSchema>;

const NAME = 'backup-schedule';
const USUAL: BackupSchedule = { hours: 24, keep: 14 };
/** How often it is looked whether one is due, ms. */
const LOOK_EVERY = 5 * 60_000;
const HOUR = 3_600_000;

export async function backupSchedule(db: DbOrTransaction): Promise<BackupSchedule> {
	const row = await db
		.selectFrom('setting')
		.select('value')
		.where('name', '=', NAME)
		.executeTakeFirst();
	return row ? scheduleSchema.parse(JSON.parse(row.value)) : USUAL;
}

export async function setBackupSchedule(
	db: DbOrTransaction,
	schedule: BackupSchedule
): Promise<void> {
	const value = JSON.stringify(schedule);
	await db
		.insertInto('setting')
		.values({ name: NAME, value })
		.onConflict((conflict) => conflict.column('name').doUpdateSet({ value }))
		.execute();
}

/** Makes a copy where the schedule says that one is due; returns words where that failed. */
export async function backUpIfDue(
	db: Db,
	database: string,
	now: number,
	make = backUpHere
): Promise<string | null> {
	const { hours, keep } = await backupSchedule(db);
	if (hours === null) return null;
	const folder = backupFolder(database);
	// One from a clock that was ahead says nothing of when the next is due.
	const [last] = copiesAt(folder, now).past;
	if (last && now - last.at < hours * HOUR) return null;
	const problem = await make(database, now);
	if (problem !== null) return problem;
	pruneBackups(folder, keep, now);
	return null;
}

/** A backup by itself that failed, and was not made since. */
export interface FailedBackup {
	/** ms since 1970-01-01 */
	readonly at: number;
	readonly words: string;
}

let failed: FailedBackup | null = null;

/** The last backup by itself, where it failed; null where it was made, or none was due. */
export const failedBackup = (): FailedBackup | null => failed;

/** Makes a copy where one is due, and remembers whether that failed, for people to see. */
export async function lookForBackup(
	db: Db,
	database: string,
	now: number,
	make?: MakeBackup
): Promise<void> {
	const words = await backUpIfDue(db, database, now, make).catch((cause: unknown) =>
		cause instanceof Error ? cause.message : String(cause)
	);
	failed = words === null ? null : { at: now, words };
	if (words !== null) console.error(`Backup: ${words}`);
}

/** Looks from time to time whether a copy is due, until the returned function is called. */
export function keepBackups(db: Db, database: string): () => void {
	// A copy that takes longer than that must not be begun a second time beside itself.
	let isLooking = false;
	const timer = setInterval(() => {
		if (isLooking) return;
		isLooking = true;
		void lookForBackup(db, database, Date.now(), backUpInOwnProcess).finally(
			() => (isLooking = false)
		);
	}, LOOK_EVERY);
	timer.unref();
	return () => clearInterval(timer);
}
