import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { findPile } from '$lib/server/repositories/piles';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const stored = await findPile(await database(), params.pile);
	if (!stored)
		error(404, { message: 'There is no such pile.', mend: 'Look in the list of piles.' });
	return { stored };
};
