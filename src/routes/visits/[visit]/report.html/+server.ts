import { database } from '$lib/server/database';
import { download } from '$lib/server/report/download';
import { handedVisit, htmlOf } from '$lib/server/report/files';
import { visitOr404 } from '$lib/server/report/found';
import type { RequestHandler } from './$types';

/** The report as one HTML file that needs nothing else. */
export const GET: RequestHandler = async ({ params }) => {
	const db = await database();
	const handed = handedVisit(await visitOr404(db, params.visit), 'full', Date.now());
	return download(htmlOf(db, handed), `${handed.name}.html`, 'html');
};
