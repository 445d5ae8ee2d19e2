import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { problemOf } from '$core/document/file';
import { purposeSchema, VISIT_TEXT } from '$core/document/visit';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { changePurpose, visitExists } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({
	purpose: purposeSchema,
	inverterSays: z.string().max(VISIT_TEXT.says)
});

export const POST: RequestHandler = async ({ params, request }) => {
	const input = inputSchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: what, where }, { status: 400 });
	}
	const db = await database();
	if (!(await visitExists(db, params.visit))) error(404, { message: 'There is no such visit.' });
	await changePurpose(db, params.visit, input.data.purpose, input.data.inverterSays);
	tellVisit(params.visit, { kind: 'changed' });
	return json(input.data);
};
