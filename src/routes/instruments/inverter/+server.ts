import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { readAddress } from '$lib/server/instruments/address';
import { readInverter } from '$lib/server/instruments/sunspec';
import { readBody, refused } from '$lib/server/read-body';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({
	address: z.string().max(80),
	unit: z.int().min(1).max(247)
});

export const POST: RequestHandler = async ({ request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const address = readAddress(input.value.address);
	if (!address.ok) return json({ words: address.problem }, { status: 400 });
	const read = await readInverter(address.value, input.value.unit);
	return read.ok ? json(read.value) : json(read.problem, { status: 502 });
};
