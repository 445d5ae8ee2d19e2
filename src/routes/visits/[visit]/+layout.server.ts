import { error } from '@sveltejs/kit';
import { assessed } from '$lib/server/assessed';
import { database } from '$lib/server/database';
import { findVisit } from '$lib/server/repositories/visits';
import { toldOf } from '$lib/server/visit-events';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const told = toldOf(params.visit);
	const document = await findVisit(await database(), params.visit);
	if (!document) {
		error(404, {
			message: 'There is no such visit.',
			mend: 'The address may be mistyped, or the visit lies in another Zembo: import its file there.'
		});
	}
	return { document, assessment: assessed(document), now: Date.now(), told };
};
