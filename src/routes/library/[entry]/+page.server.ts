import { error } from '@sveltejs/kit';
import { formOfModuleType, labelFormSchema, LIBRARY_KINDS, type LibraryKind } from '$core/document';
import { database } from '$lib/server/database';
import { superValidate, zod4 } from '$lib/server/forms';
import { listLibrary } from '$lib/server/repositories/library';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, url }) => {
	const asked = url.searchParams.get('kind') as LibraryKind | null;
	const entries = await listLibrary(await database());
	const entry = entries.find(({ id }) => id === params.entry) ?? null;
	const kind = entry?.kind ?? asked;
	if (!kind || !LIBRARY_KINDS.includes(kind) || (!entry && params.entry !== 'new')) {
		error(404, { message: 'There is no such type in the library.' });
	}
	return {
		kind,
		entry,
		form:
			entry?.kind === 'module'
				? await superValidate(formOfModuleType(entry), zod4(labelFormSchema))
				: await superValidate(zod4(labelFormSchema))
	};
};
