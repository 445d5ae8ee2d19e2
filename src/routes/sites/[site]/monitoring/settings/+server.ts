import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { monitoringSettingsSchema } from '$core/document';
import { mergeFields } from '$core/units';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { findSite } from '$lib/server/repositories/sites';
import {
	saveMonitoringSettings,
	monitoringSettings
} from '$lib/server/repositories/monitoring-settings';
import type { RequestHandler } from './$types';

/** What is to stand, and what the person saw when they changed it. */
const inputSchema = z.strictObject({
	settings: monitoringSettingsSchema,
	seen: monitoringSettingsSchema
});

/** Stores what a site's monitoring goes by, merged with what somebody else stored meanwhile. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	if (!(await findSite(db, params.site))) error(404, { message: 'There is no such site.' });
	const { seen, settings } = input.value;
	return db.transaction().execute(async (trx) => {
		const standing = await monitoringSettings(trx, params.site);
		const merged = mergeFields(seen, settings, standing);
		if (!merged.ok) {
			const words =
				'Somebody changed the same settings meanwhile. Load the page again to see theirs.';
			return json({ words, fields: merged.problem }, { status: 409 });
		}
		await saveMonitoringSettings(trx, params.site, merged.value);
		return json(merged.value);
	});
};
