import { error, json } from '@sveltejs/kit';
import { repairSchema } from '$core/document';
import { placeProblem } from '$core/visit';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { storeRepair } from '$lib/server/repositories/repairs';
import { findVisit } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, repairSchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	const problem = placeProblem(document.record, input.value.place);
	if (problem) return json({ words: problem, where: 'place' }, { status: 400 });
	const repair = await storeRepair(db, params.visit, input.value);
	if (!repair.ok) return json({ words: repair.problem }, { status: 409 });
	tellVisit(params.visit, { kind: 'repair', entry: repair.value });
	return json({ repair: repair.value }, { status: 201 });
};
