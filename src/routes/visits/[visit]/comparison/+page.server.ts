import { database } from '$lib/server/database';
import { earlierVisits } from '$lib/server/repositories/earlier-visits';
import { findVisit } from '$lib/server/repositories/visits';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, url }) => {
	const { document } = await parent();
	const { site, visit } = document;
	const db = await database();
	const list = await earlierVisits(db, site.id, visit.startedAt);
	const wanted = url.searchParams.get('with');
	// An address with a visit that is not among them falls back to the newest.
	const chosen = list.find(({ id }) => id === wanted) ?? list[0];
	return { list, earlier: chosen ? await findVisit(db, chosen.id) : null };
};
