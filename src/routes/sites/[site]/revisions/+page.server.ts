import { error } from '@sveltejs/kit';
import { differenceInWords } from '$core/record/difference';
import { database } from '$lib/server/database';
import { findRevisionNumber, listRevisions } from '$lib/server/repositories/sites';
import type { PageServerLoad } from './$types';

const numberOf = (text: string | null) => (text && /^\d{1,9}$/.test(text) ? Number(text) : null);

export const load: PageServerLoad = async ({ params, parent, url }) => {
	const db = await database();
	const { revision } = await parent();
	const below = numberOf(url.searchParams.get('below'));
	const to = numberOf(url.searchParams.get('to')) ?? revision.number;
	const from = numberOf(url.searchParams.get('from')) ?? Math.max(1, to - 1);
	const [revisions, before, after] = await Promise.all([
		listRevisions(db, params.site, below),
		findRevisionNumber(db, params.site, from),
		findRevisionNumber(db, params.site, to)
	]);
	if (!before || !after) {
		error(404, {
			message: 'There is no such revision.',
			mend: 'Choose two of the list.'
		});
	}
	return { revisions, from, to, difference: differenceInWords(before.record, after.record) };
};
