import { database } from '$lib/server/database';
import { benchmarkEntries } from '$lib/server/repositories/monitoring-settings';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	entries: await benchmarkEntries(await database(), params.site)
});
