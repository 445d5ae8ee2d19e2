import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { problemOf } from '$core/document/file';
import { libraryEntrySchema } from '$core/document/library/library';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { putLibraryEntries, removeLibraryEntry } from '$lib/server/repositories/library';
import type { RequestHandler } from './$types';

const requestSchema = z.strictObject({
	put: z.array(libraryEntrySchema).max(20_000).default([]),
	remove: z.array(z.uuid()).max(20_000).default([])
});

/** Puts entries into the library, and takes own ones out. */
export const POST: RequestHandler = async ({ request }) => {
	const input = requestSchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: where ? `${what} (${where})` : what }, { status: 400 });
	}
	const db = await database();
	await putLibraryEntries(db, input.data.put, new Date().toISOString());
	for (const id of input.data.remove) await removeLibraryEntry(db, id);
	return json({ stored: input.data.put.length }, { status: 201 });
};
