import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { carriedOver } from '$core/diagnosis';
import { partNamesFor } from '$lib/messages/text';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { newestRevision } from '$lib/server/repositories/sites';
import { findVisit, pointVisitAt } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

/** The visit beside the newest revision of its site's record. */
async function beside(visitId: string) {
	const db = await database();
	const document = await findVisit(db, visitId);
	if (!document) error(404, { message: 'There is no such visit.' });
	const newest = (await newestRevision(db, document.site.id))!;
	return { db, document, newest };
}

/** What carrying the visit over to the newest record would change. */
export const GET: RequestHandler = async ({ params }) => {
	const { document, newest } = await beside(params.visit);
	return json({
		revision: { id: newest.id, number: newest.number },
		...carriedOver(document, newest.record, partNamesFor(newest.record.rules))
	});
};

const inputSchema = z.strictObject({ revision: z.uuid() });

/** Carries the visit over, if its record is still the one that was looked at. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const { db, document, newest } = await beside(params.visit);
	if (newest.id !== input.value.revision) {
		return json(
			{ words: 'The array record changed again meanwhile. Look at the changes once more.' },
			{ status: 409 }
		);
	}
	const { obstacles } = carriedOver(document, newest.record, partNamesFor(newest.record.rules));
	if (obstacles.length > 0) return json({ words: obstacles.join(' ') }, { status: 400 });
	await pointVisitAt(db, params.visit, newest.id);
	tellVisit(params.visit, { kind: 'changed' });
	return json({ revision: newest.number });
};
