import { error, json } from '@sveltejs/kit';
import { inspectionEntrySchema } from '$core/document';
import { measuredAt } from '$core/inspection';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { appendInspectionEntry } from '$lib/server/repositories/inspection';
import { findVisit } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

/** Appends an answer of the walk; the same one sent twice is stored once. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inspectionEntrySchema);
	if (!input.ok) return refused(input.problem);
	const { value: entry } = input;
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	if (entry.measured !== null && measuredAt(document.record, entry.stop) === null) {
		return refused({
			what: 'Nothing is measured at this inspection item, so it takes no figure.',
			where: 'measured',
			mend: 'Leave the figure out, and write it into the words.'
		});
	}
	const stored = await db
		.transaction()
		.execute((trx) => appendInspectionEntry(trx, params.visit, entry));
	if (!stored.ok) return json({ words: stored.problem }, { status: 409 });
	return json({ id: entry.id }, { status: 201 });
};
