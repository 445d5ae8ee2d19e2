import { tidyBackups } from '../backup/backup';
import { OWN_LANE } from '../lanes/relay';
import { openDatabase, type Db } from './open';

/** Where the database lies; ZEMBO_DATABASE names another file. */
export const DATABASE_PATH = process.env.ZEMBO_DATABASE ?? 'data/zembo.db';

let opened: Promise<Db> | null = null;

async function open(): Promise<Db> {
	// The server did so before it started its lanes.
	if (OWN_LANE !== null) return openDatabase(DATABASE_PATH);
	try {
		const words = tidyBackups(DATABASE_PATH, Date.now());
		if (words) console.error(words);
	} catch (cause) {
		// What cannot be tidied, such as a folder that may not be read, is no reason not to start.
		console.error('Backups:', cause);
	}
	return openDatabase(DATABASE_PATH);
}

/** The application's database, opened at the first use; ZEMBO_DATABASE names its file. */
export function database(): Promise<Db> {
	if (!opened) {
		opened = open();
		// A failed start is tried again at the next use rather than kept.
		opened.catch(() => (opened = null));
		process.once('sveltekit:shutdown', () => void opened?.then((db) => db.destroy()));
	}
	return opened;
}
