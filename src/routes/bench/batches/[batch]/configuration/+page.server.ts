import { database } from '$lib/server/database';
import { listLibrary } from '$lib/server/repositories/library';
import type { PageServerLoad } from './$types';

/** Module types of the library, for what could stand in for a dead module. */
export const load: PageServerLoad = async () => {
	const entries = await listLibrary(await database(), 'module');
	return { types: entries.flatMap((entry) => (entry.kind === 'module' ? [entry] : [])) };
};
