import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { findPhotograph } from '$lib/server/repositories/photographs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const photograph = await findPhotograph(await database(), params.photograph);
	if (!photograph) error(404, { message: 'There is no such photograph.' });
	return new Response(new Uint8Array(photograph.bytes), {
		headers: {
			'content-type': photograph.type,
			// A photograph is never changed under its id.
			'cache-control': 'private, max-age=31536000, immutable'
		}
	});
};
