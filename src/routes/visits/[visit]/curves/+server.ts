import { error, json } from '@sveltejs/kit';
import { curveSchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { appendCurve, findVisit } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, curveSchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	if (!document.record.strings.some(({ id }) => id === input.value.stringId)) {
		return json({ words: 'The record of this visit has no such string.' }, { status: 400 });
	}
	const { value: curve } = input;
	const stored = await db.transaction().execute((trx) => appendCurve(trx, params.visit, curve));
	if (!stored.ok) return json({ words: stored.problem }, { status: 409 });
	tellVisit(params.visit, { kind: 'curve', entry: curve });
	return json({ curve }, { status: 201 });
};
