import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { purposeSchema, VISIT_TEXT } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { changePurpose } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

const whySchema = z.strictObject({
	purpose: purposeSchema,
	inverterSays: z.string().max(VISIT_TEXT.says)
});
/** What is to stand, and what the person saw when they changed it. */
const inputSchema = whySchema.extend({ seen: whySchema });

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const { seen, ...wanted } = input.value;
	const stored = await changePurpose(await database(), params.visit, seen, wanted);
	if (stored === null) error(404, { message: 'There is no such visit.' });
	if (!stored.ok) {
		const words =
			'Somebody changed this meanwhile. What they stored stands now; look at it, and store yours again if it is still right.';
		return json({ words, standing: stored.problem }, { status: 409 });
	}
	tellVisit(params.visit, { kind: 'changed' });
	return json(stored.value);
};
