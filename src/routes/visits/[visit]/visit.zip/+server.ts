import { database } from '$lib/server/database';
import { download, reportQuery } from '$lib/server/report/download';
import { handedVisit, zipOf } from '$lib/server/report/files';
import { visitOr404 } from '$lib/server/report/found';
import type { RequestHandler } from './$types';

/** The visit as an archive: file, readings as CSV, report as PDF and HTML, photographs. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { page } = reportQuery(url);
	const db = await database();
	const handed = handedVisit(await visitOr404(db, params.visit), 'full', Date.now());
	return download(zipOf(db, handed, page), `${handed.name}.zip`, 'zip');
};
