import { database } from '$lib/server/database';
import { search } from '$lib/server/repositories/search';
import type { PageServerLoad } from './$types';

const LONGEST = 100;

export const load: PageServerLoad = async ({ url }) => {
	const question = (url.searchParams.get('q') ?? '').slice(0, LONGEST);
	return { question, found: await search(await database(), question) };
};
