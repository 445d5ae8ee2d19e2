import { json } from '@sveltejs/kit';
import { siteJsonSchema } from '$core/document';
import type { RequestHandler } from './$types';

/** The published form of a site file. */
export const GET: RequestHandler = () =>
	json(siteJsonSchema(), { headers: { 'content-type': 'application/schema+json' } });
