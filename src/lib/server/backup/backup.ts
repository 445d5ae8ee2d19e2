import Database from 'better-sqlite3';
import {
	closeSync,
	constants,
	copyFileSync,
	existsSync,
	fsyncSync,
	mkdirSync,
	openSync,
	readdirSync,
	renameSync,
	rmSync,
	statSync
} from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { refuse, type Result, succeed } from '$core/units';

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
	const half = join(folder, `${name}${HALF}`);
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

const isFolder = (path: string) => existsSync(path) && statSync(path).isDirectory();

/** Copies in a folder, the newest first. */
export function listBackups(folder: string): Backup[] {
	if (!isFolder(folder)) return [];
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

/** A copy whose time lies further ahead than this was made while the clock was wrong, ms. */
const AHEAD = 3_600_000;

/** Copies whose time can be true, and those from a clock that was ahead; each the newest first. */
export function copiesAt(folder: string, now: number): { past: Backup[]; ahead: Backup[] } {
	const all = listBackups(folder);
	return {
		past: all.filter(({ at }) => at <= now + AHEAD),
		ahead: all.filter(({ at }) => at > now + AHEAD)
	};
}

/** Removes all but the newest copies; those of a clock that was ahead take no place from them. */
export function pruneBackups(folder: string, keep: number, now: number): void {
	const { past, ahead } = copiesAt(folder, now);
	for (const { name } of [...past.slice(keep), ...ahead.slice(keep)]) rmSync(join(folder, name));
}

/**
 * Puts a copy in the place of the database. What stood there is kept beside it under another name. At every moment
 * the database's own name holds the one or the other, whole: the new one is written beside it, checked and
 * flushed, and takes the name in one step.
 *
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
	const coming = `${database}${COMING}`;
	const going = `${database}${BEFORE}${new Date(now).toISOString().slice(0, 19).replaceAll(':', '-')}`;
	const kept = existsSync(database) ? going : null;
	try {
		mkdirSync(dirname(database), { recursive: true });
		removeWithJournal(coming);
		vacuumInto(copy, coming);
		const written = checkBackup(coming);
		if (!written.ok) throw new Error(written.problem);
		flush(coming);
		if (kept) {
			copyFileSync(database, `${kept}${HALF}`, constants.COPYFILE_FICLONE);
			flush(`${kept}${HALF}`);
			renameSync(`${kept}${HALF}`, kept);
		}
		renameSync(coming, database);
		flush(dirname(database));
	} catch (cause) {
		removeWithJournal(coming);
		rmSync(`${going}${HALF}`, { force: true });
		return refuse(
			`It could not be written (${cause instanceof Error ? cause.message : String(cause)}). What was there stands as before.`
		);
	}
	return succeed({ holds: checked.value, kept });
}

/** What is written beside the database, to take its place; what stood there before; what is not whole yet. */
const COMING = '.restoring';
const BEFORE = '.before-';
const HALF = '.half';
/** Another command may be writing what is younger, ms. */
const STALE = 3_600_000;

function vacuumInto(copy: string, path: string): void {
	const source = new Database(copy, { readonly: true, fileMustExist: true });
	try {
		source.prepare('vacuum into ?').run(path);
	} finally {
		source.close();
	}
}

function removeWithJournal(path: string): void {
	for (const end of ['', '-journal', '-wal', '-shm']) rmSync(path + end, { force: true });
}

/** Has the disk keep a file, or a folder's names. */
function flush(path: string): void {
	// A folder cannot be opened for this on every system; there its names are kept by the system alone.
	const ofNames = isFolder(path);
	if (ofNames && process.platform === 'win32') return;
	const file = openSync(path, ofNames ? 'r' : 'r+');
	try {
		fsyncSync(file);
	} finally {
		closeSync(file);
	}
}

/**
 * Tidies what a restore or a backup left that was ended half way, before the database is opened. One restored by an
 * earlier version could end with nothing under the database's name; what stood there is put back then.
 *
 * @param now ms since 1970-01-01
 * @returns words for the log; null where nothing was to be said
 */
export function tidyBackups(database: string, now: number): string | null {
	removeWithJournal(`${database}${COMING}`);
	const own = basename(database);
	for (const folder of [dirname(database), backupFolder(database)]) {
		if (!isFolder(folder)) continue;
		for (const name of readdirSync(folder)) {
			const ours = folder === dirname(database) ? name.startsWith(`${own}${BEFORE}`) : true;
			if (!ours || !name.endsWith(HALF)) continue;
			const path = join(folder, name);
			if (now - statSync(path).mtimeMs > STALE) rmSync(path, { force: true });
		}
	}
	if (existsSync(database) && statSync(database).size > 0) return null;
	const before = isFolder(dirname(database))
		? readdirSync(dirname(database)).filter(
				(name) => name.startsWith(`${own}${BEFORE}`) && !name.endsWith(HALF)
			)
		: [];
	const newest = before.sort().at(-1);
	if (newest && checkBackup(join(dirname(database), newest)).ok) {
		rmSync(database, { force: true });
		renameSync(join(dirname(database), newest), database);
		return `A restore had not come to its end. ${newest} stands as ${own} again; restore once more.`;
	}
	const [copy] = listBackups(backupFolder(database));
	return copy
		? `There is no database at ${database}; an empty one is begun. The newest copy in ${backupFolder(database)} is ${copy.name}: to put it back, end the server and run npm run backup -- restore ${copy.name}`
		: null;
}
