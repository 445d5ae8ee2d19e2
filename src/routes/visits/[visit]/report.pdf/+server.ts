import { database } from '$lib/server/database';
import { download, reportQuery } from '$lib/server/report/download';
import { handedVisit, pdfOf } from '$lib/server/report/files';
import { visitOr404 } from '$lib/server/report/found';
import type { RequestHandler } from './$types';

/** The report as PDF, in full or on one page, on A4 or Letter. */
export const GET: RequestHandler = async ({ params, url }) => {
	const { form, page } = reportQuery(url);
	const db = await database();
	const handed = handedVisit(await visitOr404(db, params.visit), form, Date.now());
	const end = form === 'short' ? 'short.pdf' : 'pdf';
	return download(await pdfOf(db, handed, page), `${handed.name}.${end}`, 'pdf');
};
