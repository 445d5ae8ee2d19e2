import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { visitFileName, visitHtml } from '$lib/server/report/visit-files';
import { findVisit } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

/** The report as one HTML file that needs nothing else. */
export const GET: RequestHandler = async ({ params }) => {
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	return new Response(await visitHtml(db, document, 'full', Date.now()), {
		headers: {
			'content-type': 'text/html; charset=utf-8',
			'content-disposition': `attachment; filename="${visitFileName(document, 'html')}"`,
			'cache-control': 'no-store'
		}
	});
};
