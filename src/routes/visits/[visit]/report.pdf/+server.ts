import { database } from '$lib/server/database';
import { download, reportQuery } from '$lib/server/report/download';
import { handedVisit, pdfOf } from '$lib/server/report/files';
import { visitOr404 } from '$lib/server/report/found';
import { withProgress } from '$lib/server/report/progress';
import type { RequestHandler } from './$types';

/** The report as PDF, in full or on one page, on A4 or Letter. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { form, page, job } = reportQuery(url);
	const db = await database();
	const handed = handedVisit(await visitOr404(db, params.visit), form, Date.now());
	const end = form === 'short' ? 'short.pdf' : 'pdf';
	const pieces = withProgress(job, (onProgress) => pdfOf(db, handed, page, onProgress));
	return download(pieces, `${handed.name}.${end}`, 'pdf');
};
