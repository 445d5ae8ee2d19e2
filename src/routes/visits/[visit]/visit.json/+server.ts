import { error } from '@sveltejs/kit';
import { writeVisitDocument } from '$core/document/file';
import { database } from '$lib/server/database';
import { findVisit } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

/** A name that every file system takes. */
function fileName(site: string, startedAt: string): string {
	const plain = site
		.normalize('NFKD')
		.replace(/[^\w]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	return `${plain || 'site'}-${startedAt.slice(0, 10)}.zembo-visit.json`;
}

export const GET: RequestHandler = async ({ params }) => {
	const document = await findVisit(await database(), params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	return new Response(writeVisitDocument(document), {
		headers: {
			'content-type': 'application/json; charset=utf-8',
			'content-disposition': `attachment; filename="${fileName(document.site.name, document.visit.startedAt)}"`,
			'cache-control': 'no-store'
		}
	});
};
