import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { MONITORED_QUANTITIES } from '$core/monitoring';
import { database } from '$lib/server/database';
import { courseOf } from '$lib/server/monitoring/course';
import type { RequestHandler } from './$types';

const querySchema = z.object({
	quantity: z.enum(MONITORED_QUANTITIES),
	from: z.coerce.number(),
	to: z.coerce.number(),
	points: z.coerce.number().int().min(10).max(5000)
});

/** Some units' quantity between two instants, thinned for a picture. */
export const GET: RequestHandler = async ({ params, url }) => {
	const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
	const keys = url.searchParams.getAll('unit').slice(0, 60);
	if (!query.success || query.data.to <= query.data.from) {
		return json({ words: 'The address does not say which time is asked for.' }, { status: 400 });
	}
	const { quantity, from, to, points } = query.data;
	return json(await courseOf(await database(), params.site, keys, quantity, from, to, points));
};
