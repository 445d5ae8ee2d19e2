import { redirect } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import { EMPTY_BATCH } from '$core/bench';
import { database } from '$lib/server/database';
import { formOf } from '$lib/server/forms';
import { createBatch, listBatches } from '$lib/server/repositories/batches';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ batches: await listBatches(await database()) });

export const actions: Actions = {
	default: async ({ request }) => {
		const name = String((await formOf(request)).get('name') ?? '').trim();
		const id = uuid();
		const batch = { ...EMPTY_BATCH, name: name.slice(0, 80) || 'A batch' };
		await createBatch(await database(), id, batch, new Date().toISOString());
		redirect(303, `/bench/batches/${id}`);
	}
};
