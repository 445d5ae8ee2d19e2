import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { benchmarkEntrySchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { findSite } from '$lib/server/repositories/sites';
import {
	addBenchmarkEntry,
	removeBenchmarkEntry
} from '$lib/server/repositories/monitoring-settings';
import type { RequestHandler } from './$types';

/** Stores a measurement of a benchmark day. */
export const POST: RequestHandler = async ({ params, request }) => {
	const entry = await readBody(request, benchmarkEntrySchema);
	if (!entry.ok) return refused(entry.problem);
	const db = await database();
	if (!(await findSite(db, params.site))) error(404, { message: 'There is no such site.' });
	if (!(await addBenchmarkEntry(db, params.site, entry.value))) {
		return json({ words: 'Another measurement already has this id.' }, { status: 409 });
	}
	return json({}, { status: 201 });
};

/** Takes a measurement out that was entered by mistake. */
export const DELETE: RequestHandler = async ({ params, url }) => {
	const id = z.uuid().safeParse(url.searchParams.get('entry'));
	if (!id.success) return json({ words: 'The address does not say which entry.' }, { status: 400 });
	await removeBenchmarkEntry(await database(), params.site, id.data);
	return json({});
};
