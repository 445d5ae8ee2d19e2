import { database } from '$lib/server/database';
import { newestFindings } from '$lib/server/repositories/inspection';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params }) => ({
	/** Findings of the newest inspection, so that they stand where they were found. */
	findings: await newestFindings(await database(), params.site)
});
