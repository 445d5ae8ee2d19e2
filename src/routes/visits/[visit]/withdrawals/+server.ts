import { json } from '@sveltejs/kit';
import { problemOf } from '$core/document/file';
import { withdrawalSchema } from '$core/document/reading';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { withdrawReading } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const input = withdrawalSchema.safeParse(await readJson(request));
	if (!input.success) {
		return json({ kind: 'refused', words: problemOf(input.error).what }, { status: 400 });
	}
	const done = await withdrawReading(await database(), params.visit, input.data);
	if (done.ok) tellVisit(params.visit, { kind: 'withdrawal', entry: input.data });
	return done.ok
		? json({ withdrawal: input.data }, { status: 201 })
		: json({ kind: 'refused', words: done.problem }, { status: 404 });
};
