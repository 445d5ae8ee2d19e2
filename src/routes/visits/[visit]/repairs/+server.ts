import { error, json } from '@sveltejs/kit';
import { problemOf } from '$core/document/file';
import { repairSchema } from '$core/document/reading';
import { placeTrouble } from '$core/document/visit';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { appendRepair } from '$lib/server/repositories/repairs';
import { findVisit } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const input = repairSchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: what, where }, { status: 400 });
	}
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	const trouble = placeTrouble(document.record, input.data.place);
	if (trouble) return json({ words: trouble, where: 'place' }, { status: 400 });
	await appendRepair(db, params.visit, input.data);
	tellVisit(params.visit, { kind: 'repair', entry: input.data });
	return json({ repair: input.data }, { status: 201 });
};
