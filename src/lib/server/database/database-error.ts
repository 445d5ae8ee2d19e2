/** What is wrong with the store, in words for the person, and how to mend it. */
export interface DatabaseError {
	readonly message: string;
	readonly mend: string;
}

/** Codes of SQLite that a person can do something about (sqlite.org/rescode.html). */
const ERRORS: readonly (readonly [code: RegExp, problem: DatabaseError])[] = [
	[
		/^SQLITE_FULL/,
		{
			message: 'The disk of the server is full: this was not stored.',
			mend: 'Make room on it, then send it again. What was stored before is untouched.'
		}
	],
	[
		/^SQLITE_(BUSY|LOCKED)/,
		{
			message: 'Another program holds the database: this was not stored.',
			mend: 'Send it again in a moment.'
		}
	],
	[
		/^SQLITE_(READONLY|CANTOPEN|IOERR|CORRUPT|NOTADB)/,
		{
			message: 'The database cannot be written: this was not stored.',
			mend: 'Look at the server’s log and at the rights of its data folder.'
		}
	]
];

/** Words for what the database threw; null where it is something else. */
export function databaseError(error: unknown): DatabaseError | null {
	const code = (error as { code?: unknown } | null)?.code;
	if (typeof code !== 'string') return null;
	return ERRORS.find(([pattern]) => pattern.test(code))?.[1] ?? null;
}
