import { fail, redirect } from '@sveltejs/kit';
import { labelPower } from '$core/record/label-power';
import { LARGEST_FILE, readVisitDocument, tooLarge } from '$core/document/file';
import { database } from '$lib/server/database';
import { importVisit } from '$lib/server/repositories/import';
import { listSites, SITES_PER_PAGE } from '$lib/server/repositories/sites';
import type { Actions, PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url }) => {
	const name = url.searchParams.get('after-name');
	const id = url.searchParams.get('after');
	const sites = await listSites(await database(), name && id ? { name, id } : null);
	const last = sites.length === SITES_PER_PAGE ? sites.at(-1) : null;
	return {
		now: Date.now(),
		next: last ? { name: last.name, id: last.id } : null,
		sites: sites.map(({ record, ...site }) => ({
			...site,
			strings: record.strings.map((string) => string.moduleCount),
			labelWatts: labelPower(record)
		}))
	};
};

/** Reads an upload to its end without keeping it, so that the browser gets its answer. */
async function drain(body: ReadableStream<Uint8Array> | null): Promise<void> {
	if (!body) return;
	const reader = body.getReader();
	while (!(await reader.read()).done);
}

export const actions: Actions = {
	import: async ({ request }) => {
		const announced = Number(request.headers.get('content-length') ?? 0);
		if (announced > LARGEST_FILE + 4096) {
			await drain(request.body);
			return fail(413, { problem: tooLarge(announced) });
		}
		const file = (await request.formData()).get('file');
		if (!(file instanceof File) || file.size === 0) {
			return fail(400, {
				problem: { what: 'No file was chosen.', where: '', mend: 'Choose a visit file (.json).' }
			});
		}
		if (file.size > LARGEST_FILE) return fail(413, { problem: tooLarge(file.size) });
		const document = readVisitDocument(await file.text());
		if (!document.ok) return fail(400, { problem: document.problem });
		const imported = await importVisit(await database(), document.value, new Date().toISOString());
		if (!imported.ok) return fail(409, { problem: imported.problem });
		const how = imported.value.already ? 'already-here' : 'done';
		redirect(303, `/visits/${imported.value.visitId}/measure?import=${how}`);
	}
};
