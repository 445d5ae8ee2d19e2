import { EMPTY_RECORD } from '$core/record';
import { fail, redirect } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import { figureValue, siteFormSchema } from '$core/document';
import { database } from '$lib/server/database';
import { formOf, superValidate, zod4 } from '$lib/server/forms';
import { createSite } from '$lib/server/repositories/sites';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	form: await superValidate(zod4(siteFormSchema))
});

export const actions: Actions = {
	default: async ({ request }) => {
		const form = await superValidate(await formOf(request), zod4(siteFormSchema));
		if (!form.valid) return fail(400, { form });
		const { name, place, timeZone, inServiceSince } = form.data;
		const id = uuid();
		const since = inServiceSince.trim() === '' ? null : figureValue(inServiceSince);
		await createSite(
			await database(),
			{ id, name, place, timeZone },
			{ ...EMPTY_RECORD, inServiceSince: since },
			new Date().toISOString()
		);
		redirect(303, `/sites/${id}/survey`);
	}
};
