import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { targetSchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { setTargets } from '$lib/server/repositories/monitoring-units';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({ name: z.string().max(200), target: targetSchema.nullable() });

/** Says which part of the record a unit of the exports is. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const { name, target } = input.value;
	await setTargets(await database(), params.site, new Map([[name, target]]));
	return json({});
};
