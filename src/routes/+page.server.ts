import { fail, redirect } from '@sveltejs/kit';
import { largestUpload, type Problem, tooLarge } from '$core/document';
import { type Result, succeed } from '$core/units';
import { readHandedIn, type HandedIn } from '$lib/server/archive/read-archive';
import { receiveFile } from '$lib/server/archive/receive-file';
import { failedBackup } from '$lib/server/backup/schedule';
import { database } from '$lib/server/database';
import { importSite, importVisit } from '$lib/server/repositories/import';
import { listSites, SITES_PER_PAGE } from '$lib/server/repositories/sites';
import { withTemporaryFolder } from '$lib/server/temporary-folder';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const name = url.searchParams.get('after-name');
	const id = url.searchParams.get('after');
	const sites = await listSites(await database(), name && id ? { name, id } : null);
	const last = sites.length === SITES_PER_PAGE ? sites.at(-1) : null;
	return {
		now: Date.now(),
		backupFailed: failedBackup() !== null,
		next: last ? { name: last.name, id: last.id } : null,
		sites
	};
};

export const actions: Actions = {
	import: ({ request }) =>
		withTemporaryFolder(async (folder) => {
			const file = await receiveFile(request, 'file', folder);
			if (!file) {
				return fail(400, {
					problem: {
						what: 'No file was chosen.',
						where: '',
						mend: 'Choose a visit (.json) or an archive (.zip).'
					}
				});
			}
			const largest = largestUpload(file.name);
			if (file.bytes > largest) return fail(413, { problem: tooLarge(file.bytes, largest) });
			const read = await readHandedIn(file.path, folder);
			if (!read.ok) return fail(400, { problem: read.problem });
			const goal = await stored(read.value);
			if (!goal.ok) return fail(409, { problem: goal.problem });
			redirect(303, goal.value);
		})
};

/** Stores what was handed in. @returns where it is now */
async function stored(given: HandedIn): Promise<Result<string, Problem>> {
	const db = await database();
	const now = new Date().toISOString();
	if (given.kind === 'site') {
		const site = await importSite(db, given.document, now, given.pictures);
		if (!site.ok) return site;
		const { siteId, visits, revisions } = site.value;
		return succeed(`/sites/${siteId}?import=${visits + revisions > 0 ? 'done' : 'already-here'}`);
	}
	const visit = await importVisit(db, given.document, now, given.pictures);
	if (!visit.ok) return visit;
	const how = visit.value.already ? 'already-here' : 'done';
	return succeed(`/visits/${visit.value.visitId}/measurements?import=${how}`);
}
