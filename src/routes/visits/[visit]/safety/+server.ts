import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { safetyEntrySchema } from '$core/document';
import { TASKS } from '$core/isolation';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { settleStep } from '$lib/server/repositories/safety';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({ task: z.enum(TASKS), entry: safetyEntrySchema });

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const { task, entry } = input.value;
	const stored = await settleStep(await database(), params.visit, task, entry, Date.now());
	if (!stored.ok) {
		if (stored.problem === null) error(404, { message: 'There is no such visit.' });
		return json({ words: stored.problem }, { status: 409 });
	}
	tellVisit(params.visit, { kind: 'safety', entry: stored.value });
	return json({ entry: stored.value }, { status: 201 });
};
