import { database } from '$lib/server/database';
import { download, reportQuery } from '$lib/server/report/download';
import { handedSite, zipOf } from '$lib/server/report/files';
import { siteOr404 } from '$lib/server/report/found';
import type { RequestHandler } from './$types';

/** A site as an archive: file, readings as CSV, report as PDF and HTML, photographs. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { page } = reportQuery(url);
	const db = await database();
	const handed = handedSite(await siteOr404(db, params.site));
	return download(zipOf(db, handed, page), `${handed.name}.zip`, 'zip');
};
