import { differenceInWords } from '$core/record';
import { partNamesFor } from '$lib/messages/text';
import { database } from '$lib/server/database';
import { findRevisionNumber, listRevisions } from '$lib/server/repositories/sites';
import type { PageServerLoad } from './$types';

const numberOf = (text: string | null) => (text && /^\d{1,9}$/.test(text) ? Number(text) : null);

export const load: PageServerLoad = async ({ params, parent, url }) => {
	const db = await database();
	const { revision } = await parent();
	const below = numberOf(url.searchParams.get('below'));
	const asked = (name: string) => url.searchParams.get(name);
	const to = numberOf(asked('to')) ?? revision.number;
	const from = numberOf(asked('from')) ?? Math.max(1, to - 1);
	const [revisions, before, after] = await Promise.all([
		listRevisions(db, params.site, below),
		findRevisionNumber(db, params.site, from),
		findRevisionNumber(db, params.site, to)
	]);
	return {
		revisions,
		from,
		to,
		/** What stands in the fields: what was typed, to the letter. */
		typed: { from: asked('from') ?? String(from), to: asked('to') ?? String(to) },
		/** Null where one of the two does not exist. */
		difference:
			before && after
				? differenceInWords(before.record, after.record, partNamesFor(after.record.rules))
				: null,
		newest: revision.number
	};
};
