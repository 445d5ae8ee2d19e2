import { json } from '@sveltejs/kit';
import { problemOf } from '$core/document/file';
import { watchSettingsSchema } from '$core/document/monitoring';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { saveWatchSettings } from '$lib/server/repositories/watch-settings';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const settings = watchSettingsSchema.safeParse(await readJson(request));
	if (!settings.success) {
		const { what, where } = problemOf(settings.error);
		return json({ words: what, where }, { status: 400 });
	}
	await saveWatchSettings(await database(), params.site, settings.data);
	return json({});
};
