import { database } from '$lib/server/database';
import { download, reportQuery } from '$lib/server/report/download';
import { handedSite, pdfOf } from '$lib/server/report/files';
import { siteOr404 } from '$lib/server/report/found';
import { withProgress } from '$lib/server/report/progress';
import type { RequestHandler } from './$types';

/** What is known of a site over the years, as PDF. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { page, job } = reportQuery(url);
	const db = await database();
	const handed = handedSite(await siteOr404(db, params.site));
	const pieces = withProgress(job, (onProgress) => pdfOf(db, handed, page, onProgress));
	return download(pieces, `${handed.name}.pdf`, 'pdf');
};
