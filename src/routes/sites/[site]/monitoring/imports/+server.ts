import { error, json } from '@sveltejs/kit';
import { importStartSchema } from '$core/document';
import { layoutProblem } from '$core/monitoring';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { findSite } from '$lib/server/repositories/sites';
import { startImport } from '$lib/server/monitoring/imports';
import type { RequestHandler } from './$types';

/** Begins to take an export in; its pieces follow. */
export const POST: RequestHandler = async ({ params, request }) => {
	const start = await readBody(request, importStartSchema);
	if (!start.ok) return refused(start.problem);
	const problem = layoutProblem(start.value.layout);
	if (problem) return json({ words: problem }, { status: 400 });
	const db = await database();
	const site = await findSite(db, params.site);
	if (!site) error(404, { message: 'There is no such site.' });
	await startImport(db, site, start.value, new Date().toISOString());
	return json({}, { status: 201 });
};
