import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { libraryEntrySchema } from '$core/document/library/library';
import { database } from '$lib/server/database';
import { readBody } from '$lib/server/read-body';
import { putLibraryEntries, removeLibraryEntry } from '$lib/server/repositories/library';
import type { RequestHandler } from './$types';

const requestSchema = z.strictObject({
	put: z.array(libraryEntrySchema).max(20_000).default([]),
	remove: z.array(z.uuid()).max(20_000).default([])
});

/** Puts entries into the library, and takes own ones out. */
export const POST: RequestHandler = async ({ request }) => {
	const input = await readBody(request, requestSchema);
	if (!input.ok) {
		const { what, where } = input.problem;
		return json({ words: where ? `${what} (${where})` : what }, { status: 400 });
	}
	const db = await database();
	await putLibraryEntries(db, input.value.put, new Date().toISOString());
	for (const id of input.value.remove) await removeLibraryEntry(db, id);
	return json({ stored: input.value.put.length }, { status: 201 });
};
