import type { RequestEvent } from '@sveltejs/kit';
import { database } from '../database';
import { stringsOfSite, stringsOfVisit } from '../repositories/sizes';

export type LaneName = 'visits' | 'large' | 'files';

/** Sites of more strings than this have a lane of their own: nobody at a small one waits for them. */
const LARGE = 30;

/** Routes that make or read whole files. */
const FILES = new Set([
	'/visits/[visit]/report.pdf',
	'/visits/[visit]/report.html',
	'/visits/[visit]/visit.json',
	'/visits/[visit]/visit.zip',
	'/sites/[site]/report.pdf',
	'/sites/[site]/site.zip',
	'/sites/[site]/monitoring/imports',
	'/sites/[site]/monitoring/imports/[import]'
]);
/** Pages whose forms take in a file, or make and check a copy of the database. */
const FILE_FORMS = new Set(['/', '/backup']);
/** Routes that go through all of something, whatever the size of a site. */
const LONG = new Set([
	'/search',
	'/sites/[site]/monitoring/year',
	'/sites/[site]/monitoring/matching',
	'/bench/batches/[batch]/configuration'
]);
/** Lines and entries of a visit that take as long on large sites as on small ones: next to nothing. */
const IRRADIANCE = new Set(['/visits/[visit]/events', '/visits/[visit]/photographs']);
/** Entries of a visit; every other route of it is a page, for which the whole visit is assessed. */
const ENTRIES = new Set([
	'/visits/[visit]/curves',
	'/visits/[visit]/inspection',
	'/visits/[visit]/purpose',
	'/visits/[visit]/readings',
	'/visits/[visit]/record',
	'/visits/[visit]/repairs',
	'/visits/[visit]/safety',
	'/visits/[visit]/withdrawals'
]);

/** The lane that a request is answered in; null where the server itself does. */
export async function laneOf({ request, route, params }: RequestEvent): Promise<LaneName | null> {
	const { id } = route;
	if (id === null || IRRADIANCE.has(id)) return null;
	if (FILES.has(id) || (FILE_FORMS.has(id) && request.method === 'POST')) return 'files';
	if (LONG.has(id)) return 'large';
	const { visit, site } = params;
	const db = await database();
	if (visit !== undefined) {
		if ((await stringsOfVisit(db, visit)) > LARGE) return 'large';
		// A page may share its address with its entries.
		return ENTRIES.has(id) && request.method !== 'GET' ? null : 'visits';
	}
	return site !== undefined && (await stringsOfSite(db, site)) > LARGE ? 'large' : null;
}
