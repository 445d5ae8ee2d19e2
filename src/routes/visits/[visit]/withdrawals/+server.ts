import { json } from '@sveltejs/kit';
import { withdrawalSchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { withdrawReading } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, withdrawalSchema);
	if (!input.ok) return refused(input.problem);
	const done = await withdrawReading(await database(), params.visit, input.value);
	if (done.ok) tellVisit(params.visit, { kind: 'withdrawal', entry: input.value });
	return done.ok
		? json({ withdrawal: input.value }, { status: 201 })
		: json({ kind: 'refused', words: done.problem }, { status: 404 });
};
