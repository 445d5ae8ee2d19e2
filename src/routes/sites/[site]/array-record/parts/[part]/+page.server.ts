import { error } from '@sveltejs/kit';
import { LIBRARY_PARTS, type LibraryPart } from '$core/document';
import { PART_KIND_NAMES, type PartKind } from '$core/record';
import { database } from '$lib/server/database';
import { listLibrary } from '$lib/server/repositories/library';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, parent, url }) => {
	const { revision } = await parent();
	const part = revision.record.parts.find(({ id }) => id === params.part);
	const asked = url.searchParams.get('kind');
	const kind = part?.kind ?? PART_KIND_NAMES.find((name) => name === asked) ?? null;
	// The part may have been added on this screen since the page was loaded, so only "new" needs a kind.
	if (params.part === 'new' && kind === null) {
		error(404, { message: 'There is no such kind of part.' });
	}
	const known = kind && (LIBRARY_PARTS as readonly PartKind[]).includes(kind);
	const library = known ? await listLibrary(await database(), kind as LibraryPart) : [];
	return { kind, library };
};
