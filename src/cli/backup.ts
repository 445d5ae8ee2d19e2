import { createInterface } from 'node:readline/promises';
import { basename, join } from 'node:path';
import { backUp, backupFolder, checkBackup, listBackups, restore } from '$lib/server/backup/backup';

/* npm run backup: a checked copy now; `list`; `check FILE`; `restore FILE`, which asks first. */

const database = process.env.ZEMBO_DATABASE ?? 'data/zembo.db';
const folder = backupFolder(database);
const [what = 'now', file = ''] = process.argv.slice(2);
const pathOf = (name: string) => (basename(name) === name ? join(folder, name) : name);
const held = ({ sites, visits, readings }: { sites: number; visits: number; readings: number }) =>
	`${sites} sites, ${visits} visits, ${readings} readings`;

function fail(words: string): never {
	console.error(words);
	process.exit(1);
}

switch (what) {
	case 'now': {
		const made = await backUp(database, folder, Date.now());
		if (!made.ok) fail(made.problem);
		console.log(`${join(folder, made.value.name)}: opened and checked, ${held(made.value.holds)}.`);
		break;
	}
	case 'list':
		for (const { name, bytes } of listBackups(folder)) {
			console.log(`${name}  ${(bytes / 1e6).toFixed(1)} MB`);
		}
		break;
	case 'check': {
		const checked = checkBackup(pathOf(file));
		if (!checked.ok) fail(checked.problem);
		console.log(`${pathOf(file)} holds ${held(checked.value)}.`);
		break;
	}
	case 'restore': {
		const checked = checkBackup(pathOf(file));
		if (!checked.ok) fail(checked.problem);
		const asked = createInterface({ input: process.stdin, output: process.stdout });
		const answer = await asked.question(
			`${pathOf(file)} holds ${held(checked.value)}. It takes the place of ${database}; what is there is kept beside it. Type yes: `
		);
		asked.close();
		if (answer.trim().toLowerCase() !== 'yes') fail('Nothing was changed.');
		const done = restore(pathOf(file), database, Date.now());
		if (!done.ok) fail(done.problem);
		console.log(`Restored.${done.value.kept ? ` What was there is ${done.value.kept}.` : ''}`);
		break;
	}
	default:
		fail(`There is no “${what}”. Use now, list, check FILE or restore FILE.`);
}
