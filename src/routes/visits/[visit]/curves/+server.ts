import { error, json } from '@sveltejs/kit';
import { problemOf } from '$core/document/file';
import { curveSchema } from '$core/document/reading';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { appendCurve, findVisit } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const input = curveSchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: what, where }, { status: 400 });
	}
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	if (!document.record.strings.some(({ id }) => id === input.data.stringId)) {
		return json({ words: 'The record of this visit has no such string.' }, { status: 400 });
	}
	await appendCurve(db, params.visit, input.data);
	tellVisit(params.visit, { kind: 'curve', entry: input.data });
	return json({ curve: input.data }, { status: 201 });
};
