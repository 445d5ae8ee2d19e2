import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { problemOf } from '$core/document/file';
import { targetSchema } from '$core/document/monitoring';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { setTargets } from '$lib/server/repositories/watch-units';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({ name: z.string().max(200), target: targetSchema.nullable() });

/** Says which part of the record a unit of the exports is. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = inputSchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: what, where }, { status: 400 });
	}
	const { name, target } = input.data;
	await setTargets(await database(), params.site, new Map([[name, target]]));
	return json({});
};
