import { spawnSync } from 'node:child_process';
import {
	copyFileSync,
	existsSync,
	mkdirSync,
	mkdtempSync,
	readdirSync,
	renameSync,
	rmSync,
	statSync,
	truncateSync,
	writeFileSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { openDatabase, type Db } from '../database/open';
import {
	backUp,
	backupFolder,
	checkBackup,
	copiesAt,
	listBackups,
	pruneBackups,
	restore,
	tidyBackups
} from './backup';
import {
	backUpIfDue,
	backupSchedule,
	failedBackup,
	lookForBackup,
	setBackupSchedule
} from './schedule';

const NOW = Date.UTC(2026, 10, 26, 12, 30);
const HOUR = 3_600_000;

let folder: string;
let path: string;
let db: Db;
beforeEach(async () => {
	folder = mkdtempSync(join(tmpdir(), 'zembo-backup-'));
	path = join(folder, 'zembo.db');
	db = await openDatabase(path);
	await addSite('one');
});
afterEach(async () => {
	await db.destroy();
	rmSync(folder, { recursive: true, force: true });
});
const addSite = (id: string) =>
	db
		.insertInto('site')
		.values({ id, name: id, place: '', time_zone: 'Etc/UTC', created_at: '' })
		.execute();
const sitesOf = async (file: string) => {
	const other = await openDatabase(file);
	const rows = await other.selectFrom('site').select('id').orderBy('id').execute();
	await other.destroy();
	return rows.map(({ id }) => id);
};

describe('a backup', () => {
	it('is made while the database is in use, opened, and says what it holds', async () => {
		const made = await backUp(path, backupFolder(path), NOW);
		expect(made).toMatchObject({
			ok: true,
			value: { name: 'zembo-2026-11-26T12-30-00.db', holds: { sites: 1, visits: 0, readings: 0 } }
		});
		await addSite('two');
		expect(await sitesOf(join(backupFolder(path), 'zembo-2026-11-26T12-30-00.db'))).toEqual([
			'one'
		]);
	});
	it('of a database that is not there, or to a place that cannot be, says so', async () => {
		const none = await backUp(join(folder, 'none.db'), backupFolder(path), NOW);
		expect(!none.ok && none.problem).toContain('There is no database');
		writeFileSync(join(folder, 'file'), '');
		await expect(backUp(path, join(folder, 'file'), NOW)).rejects.toThrow();
		expect(readdirSync(folder).filter((name) => name.endsWith('.half'))).toEqual([]);
	});
	it('that is damaged, or no database, does not pass the check', async () => {
		const made = await backUp(path, backupFolder(path), NOW);
		if (!made.ok) throw new Error(made.problem);
		const copy = join(backupFolder(path), made.value.name);
		truncateSync(copy, 5000);
		expect(checkBackup(copy).ok).toBe(false);
		writeFileSync(copy, 'not at all');
		const checked = checkBackup(copy);
		expect(!checked.ok && checked.problem).toContain('no database of Zembo');
	});
	it('is kept so many times, the newest', async () => {
		for (let hour = 0; hour < 4; hour++) await backUp(path, backupFolder(path), NOW + hour * HOUR);
		pruneBackups(backupFolder(path), 2, NOW + 4 * HOUR);
		expect(listBackups(backupFolder(path)).map(({ at }) => at)).toEqual([
			NOW + 3 * HOUR,
			NOW + 2 * HOUR
		]);
	});
});

describe('a copy that is put back', () => {
	it('takes the place of what is there, which is kept', async () => {
		const made = await backUp(path, backupFolder(path), NOW);
		if (!made.ok) throw new Error(made.problem);
		const copy = join(backupFolder(path), made.value.name);
		await addSite('two');
		const open = restore(copy, path, NOW);
		expect(!open.ok && open.problem).toContain('still open');
		await db.destroy();
		const done = restore(copy, path, NOW);
		expect(done).toMatchObject({ ok: true, value: { holds: { sites: 1 } } });
		expect(await sitesOf(path)).toEqual(['one']);
		expect(done.ok && (await sitesOf(done.value.kept!))).toEqual(['one', 'two']);
		db = await openDatabase(path);
	});
	it('that does not hold changes nothing', async () => {
		await db.destroy();
		const bad = join(folder, 'bad.db');
		copyFileSync(path, bad);
		truncateSync(bad, 3000);
		expect(restore(bad, path, NOW).ok).toBe(false);
		expect(existsSync(path)).toBe(true);
		db = await openDatabase(path);
	});
});

describe('a restore that was ended half way', () => {
	const kept = () => `${path}.before-2026-11-26T12-30-00`;

	it('before it took the name leaves the database, and what it wrote goes', async () => {
		await db.destroy();
		for (const end of ['.restoring', '.restoring-journal']) writeFileSync(path + end, 'half');
		expect(tidyBackups(path, NOW)).toBeNull();
		expect(readdirSync(folder)).toEqual(['zembo.db']);
		expect(await sitesOf(path)).toEqual(['one']);
		db = await openDatabase(path);
	});

	it.each(['missing', 'empty'])(
		'by an earlier version, the database %s, is undone',
		async (how) => {
			await db.destroy();
			renameSync(path, kept());
			if (how === 'empty') writeFileSync(path, '');
			expect(tidyBackups(path, NOW)).toContain('restore once more');
			expect(await sitesOf(path)).toEqual(['one']);
			expect(existsSync(kept())).toBe(false);
			db = await openDatabase(path);
		}
	);

	it('can be any: at each step the name holds one database or the other, whole', async () => {
		const made = await backUp(path, backupFolder(path), NOW);
		if (!made.ok) throw new Error(made.problem);
		const copy = join(backupFolder(path), made.value.name);
		await addSite('two');
		await db.destroy();
		const worker = join(process.cwd(), 'build-tools/backup.js');
		const seen = new Set<string>();
		for (let wait = 0; wait < 12; wait++) {
			copyFileSync(path, `${path}.as-it-was`);
			spawnSync(
				'sh',
				[
					'-c',
					`echo yes | timeout -s KILL ${(0.04 + wait * 0.03).toFixed(2)} node ${worker} restore ${copy}`
				],
				{
					env: { ...process.env, ZEMBO_DATABASE: path }
				}
			);
			expect(statSync(path).size).toBeGreaterThan(0);
			tidyBackups(path, NOW);
			seen.add((await sitesOf(path)).join());
			copyFileSync(`${path}.as-it-was`, path);
			rmSync(`${path}.as-it-was`);
		}
		for (const held of seen) expect(['one,two', 'one']).toContain(held);
		db = await openDatabase(path);
	});

	it('leaves what a backup or a restore may be writing now', async () => {
		mkdirSync(backupFolder(path));
		const half = join(backupFolder(path), 'zembo-2026-11-26T12-30-00.db.half');
		writeFileSync(half, '');
		const { mtimeMs } = statSync(half);
		expect(tidyBackups(path, mtimeMs + HOUR / 2)).toBeNull();
		expect(existsSync(half)).toBe(true);
		tidyBackups(path, mtimeMs + 2 * HOUR);
		expect(existsSync(half)).toBe(false);
	});
});

it('a new database where there are copies of one is not begun without a word', async () => {
	await backUp(path, backupFolder(path), NOW);
	await db.destroy();
	rmSync(path);
	expect(tidyBackups(path, NOW)).toContain('restore zembo-2026-11-26T12-30-00.db');
	db = await openDatabase(path);
});

describe('the schedule', () => {
	it('makes a copy where one is due, and keeps what it says', async () => {
		expect(await backupSchedule(db)).toEqual({ hours: 24, keep: 14 });
		await setBackupSchedule(db, { hours: 2, keep: 2 });
		const copies = () => listBackups(backupFolder(path)).length;
		for (const [hour, count] of [
			[0, 1],
			[1, 1],
			[2, 2],
			[5, 2]
		] as const) {
			expect(await backUpIfDue(db, path, NOW + hour * HOUR)).toBeNull();
			expect(copies()).toBe(count);
		}
	});
	it('goes on when the clock was ahead once, and keeps the new copies', async () => {
		await setBackupSchedule(db, { hours: 2, keep: 2 });
		await backUp(path, backupFolder(path), NOW + 9000 * HOUR);
		await backUp(path, backupFolder(path), NOW + 9001 * HOUR);
		for (const hour of [0, 2, 4]) await backUpIfDue(db, path, NOW + hour * HOUR);
		const { past, ahead } = copiesAt(backupFolder(path), NOW + 4 * HOUR);
		expect(past.map(({ at }) => at)).toEqual([NOW + 4 * HOUR, NOW + 2 * HOUR]);
		expect(ahead).toHaveLength(2);
	});
	it('that fails is remembered until one is made', async () => {
		vi.spyOn(console, 'error').mockImplementation(() => {});
		writeFileSync(backupFolder(path), 'no folder');
		expect(tidyBackups(path, NOW)).toBeNull();
		await lookForBackup(db, path, NOW);
		expect(failedBackup()).toMatchObject({ at: NOW, words: expect.any(String) });
		rmSync(backupFolder(path));
		await lookForBackup(db, path, NOW + HOUR);
		expect(failedBackup()).toBeNull();
		vi.restoreAllMocks();
	});
	it('that is empty makes none', async () => {
		await setBackupSchedule(db, { hours: null, keep: 3 });
		await backUpIfDue(db, path, NOW);
		expect(listBackups(backupFolder(path))).toEqual([]);
	});
});
