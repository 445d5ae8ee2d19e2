import { database } from '$lib/server/database';
import { repairsOfSite } from '$lib/server/repositories/repairs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	repairs: await repairsOfSite(await database(), params.site)
});
