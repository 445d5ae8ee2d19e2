import { error } from '@sveltejs/kit';
import type { SiteDocument, VisitDocument } from '$core/document';
import type { Db } from '../database/open';
import { findSiteDocument } from '../repositories/site-document';
import { findVisit } from '../repositories/visits';

export async function visitOr404(db: Db, id: string): Promise<VisitDocument> {
	const document = await findVisit(db, id);
	if (!document) error(404, { message: 'There is no such visit.' });
	return document;
}

export async function siteOr404(db: Db, id: string): Promise<SiteDocument> {
	const document = await findSiteDocument(db, id);
	if (!document) error(404, { message: 'There is no such site.' });
	return document;
}
