import { database } from '$lib/server/database';
import { listImports } from '$lib/server/repositories/monitoring-imports';
import { monitoringSettings } from '$lib/server/repositories/monitoring-settings';
import { listUnits } from '$lib/server/repositories/monitoring-units';
import { spanOf } from '$lib/server/monitoring/year';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const db = await database();
	const units = await listUnits(db, params.site);
	return {
		imports: await listImports(db, params.site),
		units,
		span: spanOf(units),
		settings: await monitoringSettings(db, params.site)
	};
};
