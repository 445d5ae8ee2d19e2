import { database } from '$lib/server/database';
import { listLibrary } from '$lib/server/repositories/library';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({ entries: await listLibrary(await database()) });
