import { error, json } from '@sveltejs/kit';
import { problemOf } from '$core/document/file';
import { importStartSchema } from '$core/document/monitoring';
import { layoutTrouble } from '$core/production/import/layout';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { findSite } from '$lib/server/repositories/sites';
import { startImport } from '$lib/server/watch/imports';
import type { RequestHandler } from './$types';

/** Begins to take an export in; its pieces follow. */
export const POST: RequestHandler = async ({ params, request }) => {
	const start = importStartSchema.safeParse(await readJson(request));
	if (!start.success) {
		const { what, where } = problemOf(start.error);
		return json({ words: what, where }, { status: 400 });
	}
	const trouble = layoutTrouble(start.data.layout);
	if (trouble) return json({ words: trouble }, { status: 400 });
	const db = await database();
	const site = await findSite(db, params.site);
	if (!site) error(404, { message: 'There is no such site.' });
	await startImport(db, site, start.data, new Date().toISOString());
	return json({}, { status: 201 });
};
