import type { RequestEvent } from '@sveltejs/kit';
import { database } from '../database';
import { stringsOfSite, stringsOfVisit } from '../repositories/sizes';

export type LaneName = 'pages' | 'files';

/** Pages of a site of more strings than this are made in a lane: below it they take a few tens of ms. */
const LARGE = 30;

/** Routes that make or read whole files. */
const FILES = new Set([
	'/visits/[visit]/report.pdf',
	'/visits/[visit]/report.html',
	'/visits/[visit]/visit.json',
	'/visits/[visit]/visit.zip',
	'/sites/[site]/report.pdf',
	'/sites/[site]/site.zip',
	'/sites/[site]/watch/imports',
	'/sites/[site]/watch/imports/[import]'
]);
/** Routes that go through all of something, whatever the size of a site. */
const LONG = new Set([
	'/search',
	'/sites/[site]/watch/year',
	'/sites/[site]/watch/matching',
	'/bench/piles/[pile]/mix'
]);
/** Routes of large sites that take no longer than those of small ones; a line of events stays with the server. */
const LIGHT = new Set([
	'/visits/[visit]/events',
	'/visits/[visit]/photographs',
	'/visits/[visit]/inspection'
]);

/** The lane that a request is answered in; null where the server itself does. */
export async function laneOf({ request, route, params }: RequestEvent): Promise<LaneName | null> {
	const { id } = route;
	if (id === null || LIGHT.has(id)) return null;
	// An import of a visit or of an archive.
	if (FILES.has(id) || (id === '/' && request.method === 'POST')) return 'files';
	if (LONG.has(id)) return 'pages';
	const { visit, site } = params;
	if (visit === undefined && site === undefined) return null;
	const db = await database();
	const strings =
		visit === undefined ? await stringsOfSite(db, site!) : await stringsOfVisit(db, visit);
	return strings > LARGE ? 'pages' : null;
}
