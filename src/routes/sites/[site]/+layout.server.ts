import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { findSite, newestRevision } from '$lib/server/repositories/sites';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params, depends }) => {
	depends('site:record');
	const db = await database();
	const site = await findSite(db, params.site);
	const revision = site && (await newestRevision(db, site.id));
	if (!site || !revision) {
		error(404, {
			message: 'There is no such site.',
			mend: 'The address may be mistyped, or the site lies in another Zembo.'
		});
	}
	return { site, revision };
};
