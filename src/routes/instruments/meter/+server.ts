import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { QUANTITIES } from '$core/visit';
import { readAddress } from '$lib/server/instruments/address';
import { MEASURES, readMeter, type Measures } from '$lib/server/instruments/scpi';
import { readBody, refused } from '$lib/server/read-body';
import type { RequestHandler } from './$types';

const inputSchema = z.strictObject({
	address: z.string().max(80),
	measures: z.enum(Object.keys(MEASURES) as [Measures, ...Measures[]]),
	/** Where the person stands, for a simulated meter. */
	probe: z
		.strictObject({
			label: z.string().max(40),
			quantity: z.enum(QUANTITIES),
			kind: z.enum(['string', 'fuse', 'module', 'part', 'array'])
		})
		.nullable()
});

export const POST: RequestHandler = async ({ request }) => {
	const input = await readBody(request, inputSchema);
	if (!input.ok) return refused(input.problem);
	const address = readAddress(input.value.address);
	if (!address.ok) return json({ words: address.problem }, { status: 400 });
	const read = await readMeter(address.value, input.value.measures, input.value.probe);
	return read.ok ? json(read.value) : json(read.problem, { status: 502 });
};
