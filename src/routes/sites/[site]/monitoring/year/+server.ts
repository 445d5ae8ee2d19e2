import { error } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { findSite, newestRevision } from '$lib/server/repositories/sites';
import { monitoringSettings } from '$lib/server/repositories/monitoring-settings';
import { monitoredYear } from '$lib/server/monitoring/year';
import { yearToBytes } from '$lib/monitoring/year-bytes';
import type { RequestHandler } from './$types';

/** Up to a year of the site's exports as bytes, for the analysis in the browser. */
export const GET: RequestHandler = async ({ params, url }) => {
	const db = await database();
	const site = await findSite(db, params.site);
	const revision = site && (await newestRevision(db, site.id));
	if (!site || !revision) error(404, { message: 'There is no such site.' });
	const until = Number(url.searchParams.get('until') ?? Number.NaN);
	const year = await monitoredYear(
		db,
		site,
		revision.record,
		await monitoringSettings(db, site.id),
		Number.isFinite(until) ? until : null
	);
	if (!year) error(404, { message: 'No export of this site holds any output.' });
	return new Response(yearToBytes(year), {
		headers: { 'content-type': 'application/octet-stream', 'cache-control': 'no-store' }
	});
};
