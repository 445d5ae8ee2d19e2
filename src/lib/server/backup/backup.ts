import Database from 'better-sqlite3';
import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { refuse, succeed, type Result } from '$core/units/result';

/** What a copy holds, read from the copy itself. */
export interface Holds {
	readonly sites: number;
	readonly visits: number;
	readonly readings: number;
}

export interface Backup {
	/** Name within its folder. */
	readonly name: string;
	/** ms since 1970-01-01 */
	readonly at: number;
	readonly bytes: number;
}

const NAME = /^zembo-(\d{4}-\d{2}-\d{2})T(\d{2})-(\d{2})-(\d{2})\.db$/;
const PAGES_AT_ONCE = 500;

/** Folder of the copies, beside the database. */
export function backupFolder(database: string): string {
	return join(dirname(database), 'backups');
}

/**
 * Copies a database that is in use, and checks the copy by opening it. What is written meanwhile is in
 * it or not, but nothing half. A copy that does not hold is removed again.
 *
 * @param now ms since 1970-01-01
 */
export async function backUp(
	database: string,
	folder: string,
	now: number
): Promise<Result<Backup & { readonly holds: Holds }, string>> {
	if (!existsSync(database)) return refuse(`There is no database at ${database}.`);
	mkdirSync(folder, { recursive: true });
	const name = `zembo-${new Date(now).toISOString().slice(0, 19).replaceAll(':', '-')}.db`;
	const half = join(folder, `${name}.half`);
	const source = new Database(database, { readonly: true, fileMustExist: true });
	try {
		await source.backup(half, { progress: () => PAGES_AT_ONCE });
	} catch (cause) {
		rmSync(half, { force: true });
		return refuse(
			`The copy could not be written to ${folder} (${cause instanceof Error ? cause.message : String(cause)}). Look at the space on that disk.`
		);
	} finally {
		source.close();
	}
	const checked = checkBackup(half);
	if (!checked.ok) {
		rmSync(half, { force: true });
		return checked;
	}
	renameSync(half, join(folder, name));
	return succeed({ name, at: now, bytes: statSync(join(folder, name)).size, holds: checked.value });
}

/** Opens a copy, lets SQLite check every page of it, and counts what it holds. */
export function checkBackup(path: string): Result<Holds, string> {
	if (!existsSync(path)) return refuse(`There is no file ${path}.`);
	let copy: Database.Database | null = null;
	try {
		copy = new Database(path, { readonly: true, fileMustExist: true });
		const said = copy.pragma('integrity_check', { simple: true });
		if (said !== 'ok') return refuse(`${basename(path)} is damaged: ${String(said)}`);
		const count = (table: string) =>
			(copy!.prepare(`select count(*) as n from ${table}`).get() as { n: number }).n;
		return succeed({ sites: count('site'), visits: count('visit'), readings: count('reading') });
	} catch (cause) {
		return refuse(
			`${basename(path)} is no database of Zembo (${cause instanceof Error ? cause.message : String(cause)}).`
		);
	} finally {
		copy?.close();
	}
}

/** Copies in a folder, the newest first. */
export function listBackups(folder: string): Backup[] {
	if (!existsSync(folder)) return [];
	return readdirSync(folder)
		.flatMap((name) => {
			const found = NAME.exec(name);
			if (!found) return [];
			const [, date, hour, minute, second] = found;
			return {
				name,
				at: Date.parse(`${date}T${hour}:${minute}:${second}Z`),
				bytes: statSync(join(folder, name)).size
			};
		})
		.sort((a, b) => b.at - a.at);
}

/** Removes all but the newest copies. */
export function pruneBackups(folder: string, keep: number): void {
	for (const { name } of listBackups(folder).slice(keep)) rmSync(join(folder, name));
}

/**
 * Puts a copy in the place of the database. What stood there is kept beside it under another name.
 * The server must not run: a file that is open under it would be torn away.
 *
 * @param now ms since 1970-01-01
 */
export function restore(
	copy: string,
	database: string,
	now: number
): Result<{ readonly holds: Holds; readonly kept: string | null }, string> {
	const checked = checkBackup(copy);
	if (!checked.ok) return checked;
	if (existsSync(`${database}-wal`)) {
		return refuse(
			`${database} is still open, or was not closed: end the server, start it once more and end it, then restore.`
		);
	}
	let kept: string | null = null;
	if (existsSync(database)) {
		kept = `${database}.before-${new Date(now).toISOString().slice(0, 19).replaceAll(':', '-')}`;
		renameSync(database, kept);
	}
	const source = new Database(copy, { readonly: true, fileMustExist: true });
	try {
		mkdirSync(dirname(database), { recursive: true });
		source.prepare('vacuum into ?').run(database);
	} catch (cause) {
		rmSync(database, { force: true });
		if (kept) renameSync(kept, database);
		return refuse(
			`It could not be written (${cause instanceof Error ? cause.message : String(cause)}). What was there stands as before.`
		);
	} finally {
		source.close();
	}
	return succeed({ holds: checked.value, kept });
}
