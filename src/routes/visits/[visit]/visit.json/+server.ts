import { writeVisitDocument } from '$core/document';
import { database } from '$lib/server/database';
import { download } from '$lib/server/report/download';
import { siteFileName } from '$lib/server/report/files';
import { visitOr404 } from '$lib/server/report/found';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const document = await visitOr404(await database(), params.visit);
	const { site, visit } = document;
	const name = `${siteFileName(site)}-${visit.startedAt.slice(0, 10)}.zembo-visit.json`;
	return download(writeVisitDocument(document), name, 'json');
};
