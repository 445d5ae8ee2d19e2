import { error } from '@sveltejs/kit';
import { writeVisitDocument } from '$core/document/file';
import { database } from '$lib/server/database';
import { visitFileName } from '$lib/server/report/visit-files';
import { findVisit } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const document = await findVisit(await database(), params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	return new Response(writeVisitDocument(document), {
		headers: {
			'content-type': 'application/json; charset=utf-8',
			'content-disposition': `attachment; filename="${visitFileName(document, 'zembo-visit.json')}"`,
			'cache-control': 'no-store'
		}
	});
};
