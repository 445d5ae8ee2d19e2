import { redirect } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import { EMPTY_PILE } from '$core/bench/pile';
import { database } from '$lib/server/database';
import { formOf } from '$lib/server/forms';
import { createPile, listPiles } from '$lib/server/repositories/piles';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ piles: await listPiles(await database()) });

export const actions: Actions = {
	default: async ({ request }) => {
		const name = String((await formOf(request)).get('name') ?? '').trim();
		const id = uuid();
		const pile = { ...EMPTY_PILE, name: name.slice(0, 80) || 'A pile' };
		await createPile(await database(), id, pile, new Date().toISOString());
		redirect(303, `/bench/piles/${id}`);
	}
};
