import { database } from '$lib/server/database';
import { listImports } from '$lib/server/repositories/watch-imports';
import { watchSettings } from '$lib/server/repositories/watch-settings';
import { listUnits } from '$lib/server/repositories/watch-units';
import { spanOf } from '$lib/server/watch/year';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const db = await database();
	const units = await listUnits(db, params.site);
	return {
		imports: await listImports(db, params.site),
		units,
		span: spanOf(units),
		settings: await watchSettings(db, params.site)
	};
};
