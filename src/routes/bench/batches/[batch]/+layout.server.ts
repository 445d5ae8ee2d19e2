import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { findBatch } from '$lib/server/repositories/batches';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const stored = await findBatch(await database(), params.batch);
	if (!stored)
		error(404, { message: 'There is no such batch.', mend: 'Look in the list of batches.' });
	return { stored };
};
