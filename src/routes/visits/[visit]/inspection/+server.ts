import { error, json } from '@sveltejs/kit';
import { inspectionEntrySchema } from '$core/document/inspection';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { appendInspectionEntry } from '$lib/server/repositories/inspection';
import { visitExists } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

/** Appends an answer of the walk; the same one sent twice is stored once. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inspectionEntrySchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	if (!(await visitExists(db, params.visit))) error(404, { message: 'There is no such visit.' });
	await appendInspectionEntry(db, params.visit, input.value);
	return json({ id: input.value.id }, { status: 201 });
};
