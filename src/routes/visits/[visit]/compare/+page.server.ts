import { database } from '$lib/server/database';
import { earlierVisit } from '$lib/server/repositories/visits';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent }) => {
	const { document } = await parent();
	const { site, visit } = document;
	return { earlier: await earlierVisit(await database(), site.id, visit.startedAt) };
};
