import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { REPORT_FORMS } from '$lib/report/visit-report';
import { database } from '$lib/server/database';
import { PAGE_SIZES } from '$lib/server/report/pdf';
import { visitFileName, visitPdf } from '$lib/server/report/visit-files';
import { findVisit } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

const querySchema = z.object({
	form: z.enum(REPORT_FORMS).default('full'),
	page: z.enum(PAGE_SIZES).default('A4')
});

/** The report as PDF, in full or on one page, on A4 or Letter. */
export const GET: RequestHandler = async ({ params, url }) => {
	const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
	if (!query.success) {
		error(400, {
			message: 'There is no such report.',
			mend: 'form is full or short, page A4 or LETTER.'
		});
	}
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) error(404, { message: 'There is no such visit.' });
	const { form, page } = query.data;
	const bytes = await visitPdf(db, document, form, page, Date.now());
	const name = visitFileName(document, form === 'short' ? 'short.pdf' : 'pdf');
	return new Response(new Uint8Array(bytes), {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `attachment; filename="${name}"`,
			'cache-control': 'no-store'
		}
	});
};
