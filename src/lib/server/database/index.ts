import { openDatabase, type Db } from './open';

/** Where the database lies; ZEMBO_DATABASE names another file. */
export const DATABASE_PATH = process.env.ZEMBO_DATABASE ?? 'data/zembo.db';

let opened: Promise<Db> | null = null;

/** The application's database, opened at the first use; ZEMBO_DATABASE names its file. */
export function database(): Promise<Db> {
	if (!opened) {
		opened = openDatabase(DATABASE_PATH);
		// A failed start is tried again at the next use rather than kept.
		opened.catch(() => (opened = null));
		process.once('sveltekit:shutdown', () => void opened?.then((db) => db.destroy()));
	}
	return opened;
}
