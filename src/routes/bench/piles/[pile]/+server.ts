import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { pileSchema } from '$core/document/pile';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { findPile, savePile } from '$lib/server/repositories/piles';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({ from: z.int().min(1), pile: pileSchema });

/** Stores a pile; one that somebody else changed meanwhile is sent back instead, and nothing is stored. */
export const PUT: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const db = await database();
	const { from, pile } = input.value;
	const version = await savePile(db, params.pile, from, pile, new Date().toISOString());
	if (version !== null) return json({ version });
	const stored = await findPile(db, params.pile);
	if (!stored) error(404, { message: 'There is no such pile.' });
	return json({ words: 'It was changed elsewhere meanwhile.', stored }, { status: 409 });
};
