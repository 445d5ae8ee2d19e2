import { json } from '@sveltejs/kit';
import { visitJsonSchema } from '$core/document';
import type { RequestHandler } from './$types';

/** The published form of a visit file. */
export const GET: RequestHandler = () =>
	json(visitJsonSchema(), { headers: { 'content-type': 'application/schema+json' } });
