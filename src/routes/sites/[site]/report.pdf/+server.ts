import { database } from '$lib/server/database';
import { download, reportQuery } from '$lib/server/report/download';
import { handedSite, pdfOf } from '$lib/server/report/files';
import { siteOr404 } from '$lib/server/report/found';
import type { RequestHandler } from './$types';

/** What is known of a site over the years, as PDF. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { page } = reportQuery(url);
	const db = await database();
	const handed = handedSite(await siteOr404(db, params.site));
	return download(await pdfOf(db, handed, page), `${handed.name}.pdf`, 'pdf');
};
