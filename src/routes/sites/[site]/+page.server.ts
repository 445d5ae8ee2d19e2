import { fail, redirect } from '@sveltejs/kit';
import { v7 as uuid } from 'uuid';
import { visitFormSchema } from '$core/document';
import { emptyVisit } from '$core/visit';
import { assessed } from '$lib/server/assessed';
import { database } from '$lib/server/database';
import { formOf, superValidate, zod4 } from '$lib/server/forms';
import { newestRevision } from '$lib/server/repositories/sites';
import { monitoringSettings } from '$lib/server/repositories/monitoring-settings';
import { nextBenchmarkDay } from '$lib/monitoring/benchmark-days';
import { findVisit, insertVisit, listVisits } from '$lib/server/repositories/visits';
import type { Actions, PageServerLoad } from './$types';

/** Visits listed on a site's page. */
const VISITS_SHOWN = 30;

export const load: PageServerLoad = async ({ parent, params }) => {
	const { site, revision } = await parent();
	const db = await database();
	const visits = await listVisits(db, params.site, VISITS_SHOWN);
	const read = visits.find((visit) => visit.readings > 0);
	const last = read ? await findVisit(db, read.id) : null;
	const settings = await monitoringSettings(db, params.site);
	return {
		visits,
		benchmark: nextBenchmarkDay(Date.now(), site.timeZone, settings.benchmarkDays),
		form: await superValidate(zod4(visitFormSchema)),
		/** The newest visit with readings, if it saw the record as it is now. */
		last:
			last && last.revision.id === revision.id
				? {
						id: last.visit.id,
						startedAt: last.visit.startedAt,
						assessment: assessed(last)
					}
				: null
	};
};

export const actions: Actions = {
	visit: async ({ params, request }) => {
		const form = await superValidate(await formOf(request), zod4(visitFormSchema));
		if (!form.valid) return fail(400, { form });
		const db = await database();
		const revision = await newestRevision(db, params.site);
		if (!revision) return fail(404, { form });
		const id = uuid();
		const { by, purpose, reason } = form.data;
		const startedAt = new Date().toISOString();
		await insertVisit(
			db,
			params.site,
			revision.id,
			emptyVisit({ id, startedAt, by, purpose, reason })
		);
		redirect(303, `/visits/${id}/test-plan`);
	}
};
