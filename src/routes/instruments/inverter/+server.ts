import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { problemOf } from '$core/document/file';
import { readAddress } from '$lib/server/instruments/address';
import { readInverter } from '$lib/server/instruments/sunspec';
import { readJson } from '$lib/server/read-json';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({
	address: z.string().max(80),
	unit: z.int().min(1).max(247)
});

export const POST: RequestHandler = async ({ request }) => {
	const input = inputSchema.safeParse(await readJson(request));
	if (!input.success) return json({ words: problemOf(input.error).what }, { status: 400 });
	const address = readAddress(input.data.address);
	if (!address.ok) return json({ words: address.problem }, { status: 400 });
	const read = await readInverter(address.value, input.data.unit);
	return read.ok ? json(read.value) : json(read.problem, { status: 502 });
};
