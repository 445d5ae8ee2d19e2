import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { batchSchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { findBatch, saveBatch } from '$lib/server/repositories/batches';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({ from: z.int().min(1), batch: batchSchema });

/** Stores a batch; one that somebody else changed meanwhile is sent back instead, and nothing is stored. */
export const PUT: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	const { from, batch } = input.value;
	const version = await saveBatch(db, params.batch, from, batch, new Date().toISOString());
	if (version !== null) return json({ version });
	const stored = await findBatch(db, params.batch);
	if (!stored) error(404, { message: 'There is no such batch.' });
	return json({ words: 'It was changed elsewhere meanwhile.', stored }, { status: 409 });
};
