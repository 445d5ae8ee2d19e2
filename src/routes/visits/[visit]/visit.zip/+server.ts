import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { PAGE_SIZES } from '$lib/server/report/pdf';
import { visitFileName, visitZip } from '$lib/server/report/visit-files';
import { findVisit } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

/** The visit as an archive: file, readings as CSV, report as PDF and HTML, photographs. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	const page = PAGE_SIZES.find((size) => size === url.searchParams.get('page')) ?? 'A4';
	const bytes = await visitZip(db, document, page, Date.now());
	return new Response(new Uint8Array(bytes), {
		headers: {
			'content-type': 'application/zip',
			'content-disposition': `attachment; filename="${visitFileName(document, 'zip')}"`,
			'cache-control': 'no-store'
		}
	});
};
