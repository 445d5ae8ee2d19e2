import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { problemOf } from '$core/document/file';
import { pileSchema } from '$core/document/pile';
import { database } from '$lib/server/database';
import { readJson } from '$lib/server/read-json';
import { findPile, savePile } from '$lib/server/repositories/piles';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({ from: z.int().min(1), pile: pileSchema });

/** Stores a pile; one that somebody else changed meanwhile is sent back instead, and nothing is stored. */
export const PUT: RequestHandler = async ({ params, request }) => {
	const input = inputSchema.safeParse(await readJson(request));
	if (!input.success) {
		const { what, where } = problemOf(input.error);
		return json({ words: what, where }, { status: 400 });
	}
	const db = await database();
	const { from, pile } = input.data;
	const version = await savePile(db, params.pile, from, pile, new Date().toISOString());
	if (version !== null) return json({ version });
	const stored = await findPile(db, params.pile);
	if (!stored) error(404, { message: 'There is no such pile.' });
	return json({ words: 'It was changed elsewhere meanwhile.', stored }, { status: 409 });
};
