import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { libraryEntrySchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody } from '$lib/server/read-body';
import { changeLibrary } from '$lib/server/repositories/library';
import type { RequestHandler } from './$types';

const requestSchema = z.strictObject({
	put: z.array(libraryEntrySchema).max(20_000).default([]),
	remove: z.array(z.uuid()).max(20_000).default([]),
	/** Versions of own entries that the person had before them. */
	versions: z.record(z.uuid(), z.string().max(40).nullable()).default({})
});

/** Puts entries into the library, and takes own ones out. */
export const POST: RequestHandler = async ({ request }) => {
	const input = await readBody(request, requestSchema);
	if (!input.ok) {
		const { what, where } = input.problem;
		return json({ words: where ? `${what} (${where})` : what }, { status: 400 });
	}
	const changed = await changeLibrary(await database(), input.value, new Date().toISOString());
	if (!changed.ok) {
		const names = changed.problem.slice(0, 5).map((name) => `“${name}”`);
		const words = `Somebody changed ${names.join(', ')} meanwhile. Nothing was stored: load the page again and look at theirs.`;
		return json({ words }, { status: 409 });
	}
	return json({ stored: input.value.put.length }, { status: 201 });
};
