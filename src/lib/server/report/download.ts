import { Readable } from 'node:stream';
import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { REPORT_FORMS } from '$lib/report/visit-report';
import { PAGE_SIZES } from './page-sizes';

const querySchema = z.object({
	form: z.enum(REPORT_FORMS).default('full'),
	page: z.enum(PAGE_SIZES).default('A4'),
	/** Under which the progress can be asked for. */
	job: z.uuid().optional()
});

/** Form and page that an address asks for; refused in words where there is no such. */
export function reportQuery(url: URL): z.infer<typeof querySchema> {
	const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
	if (query.success) return query.data;
	error(400, {
		message: 'There is no such report.',
		mend: 'form is full or short, page A4 or LETTER.'
	});
}

const TYPES = {
	pdf: 'application/pdf',
	zip: 'application/zip',
	html: 'text/html; charset=utf-8',
	json: 'application/json; charset=utf-8'
} as const;

/** A file that the browser stores under a name. */
export function download(
	content: Uint8Array | string | AsyncIterable<Uint8Array>,
	name: string,
	kind: keyof typeof TYPES
): Response {
	return new Response(bodyOf(content), {
		headers: {
			'content-type': TYPES[kind],
			'content-disposition': `attachment; filename="${name}"`,
			'cache-control': 'no-store'
		}
	});
}

function bodyOf(content: Uint8Array | string | AsyncIterable<Uint8Array>): BodyInit {
	if (typeof content === 'string') return content;
	if (content instanceof Uint8Array) return content as Uint8Array<ArrayBuffer>;
	return Readable.toWeb(Readable.from(content, { objectMode: false })) as ReadableStream;
}
