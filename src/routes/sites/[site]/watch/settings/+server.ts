import { json } from '@sveltejs/kit';
import { watchSettingsSchema } from '$core/document/monitoring';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { saveWatchSettings } from '$lib/server/repositories/watch-settings';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const settings = await readBody(request, watchSettingsSchema);
	if (!settings.ok) return refused(settings.problem);
	await saveWatchSettings(await database(), params.site, settings.value);
	return json({});
};
