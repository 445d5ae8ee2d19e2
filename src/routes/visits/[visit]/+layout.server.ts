import { error } from '@sveltejs/kit';
import { assessed } from '$lib/server/assessed';
import { database } from '$lib/server/database';
import { newestRevisionNumber } from '$lib/server/repositories/sites';
import { findVisit } from '$lib/server/repositories/visits';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params, locals }) => {
	const db = await database();
	const document = await findVisit(db, params.visit);
	if (!document) {
		error(404, {
			message: 'There is no such visit.',
			mend: 'The address may be mistyped, or the visit lies in another Zembo: import its file there.'
		});
	}
	const newestRevision = await newestRevisionNumber(db, document.site.id);
	return {
		document,
		assessment: assessed(document),
		now: Date.now(),
		told: locals.told,
		newestRevision
	};
};
