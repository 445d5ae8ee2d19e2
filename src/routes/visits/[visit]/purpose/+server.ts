import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { purposeSchema, VISIT_TEXT } from '$core/document/visit';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { changePurpose, visitExists } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({
	purpose: purposeSchema,
	inverterSays: z.string().max(VISIT_TEXT.says)
});

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	if (!(await visitExists(db, params.visit))) error(404, { message: 'There is no such visit.' });
	await changePurpose(db, params.visit, input.value.purpose, input.value.inverterSays);
	tellVisit(params.visit, { kind: 'changed' });
	return json(input.value);
};
