import { execFile } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { backUp, backupFolder } from './backup';

/** Longest time that a copy may take, ms. */
const LONGEST = 60 * 60_000;

/** Makes a checked copy of a database. @returns words where that failed */
export type MakeBackup = (database: string, now: number) => Promise<string | null>;

/** In this process, which answers nobody while it reads a large copy through. */
export const backUpHere: MakeBackup = async (database, now) => {
	const made = await backUp(database, backupFolder(database), now);
	return made.ok ? null : made.problem;
};

/** In a process of its own, by its own clock: the one of `npm run backup`. Where that is not built, here. */
export const backUpInOwnProcess: MakeBackup = (database, now) => {
	const tool = resolve(process.env['ZEMBO_TOOLS'] ?? 'build-tools', 'backup.js');
	if (!existsSync(tool)) return backUpHere(database, now);
	return new Promise((done) => {
		execFile(
			process.execPath,
			[tool, 'now'],
			{ env: { ...process.env, ZEMBO_DATABASE: database }, timeout: LONGEST },
			(fault, _, said) => done(fault ? said.trim() || fault.message : null)
		);
	});
};
