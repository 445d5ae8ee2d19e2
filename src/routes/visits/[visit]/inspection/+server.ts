import { error, json } from '@sveltejs/kit';
import { problemOf } from '$core/document/file';
import { inspectionEntrySchema } from '$core/document/inspection';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { appendInspectionEntry } from '$lib/server/repositories/inspection';
import { visitExists } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

/** Appends an answer of the walk; the same one sent twice is stored once. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = inspectionEntrySchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: what, where }, { status: 400 });
	}
	const db = await database();
	if (!(await visitExists(db, params.visit))) error(404, { message: 'There is no such visit.' });
	await appendInspectionEntry(db, params.visit, input.data);
	return json({ id: input.data.id }, { status: 201 });
};
