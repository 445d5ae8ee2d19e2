import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { readBody, refused } from './read-body';

const SCHEMA = z.strictObject({ name: z.string().min(1), amps: z.number().positive().optional() });
const sent = (body: string) => new Request('http://zembo/', { method: 'POST', body });

describe('the body of a request', () => {
	it('is what its schema makes of it', async () => {
		expect(await readBody(sent('{"name":"A1","amps":8}'), SCHEMA)).toEqual({
			ok: true,
			value: { name: 'A1', amps: 8 }
		});
	});

	it('that does not hold is told with its place', async () => {
		const read = await readBody(sent('{"name":"A1","amps":-8}'), SCHEMA);
		expect(read).toMatchObject({ ok: false, problem: { where: 'amps' } });
	});

	it('with a field that nobody knows is refused, so that a typing mistake is not lost', async () => {
		expect(await readBody(sent('{"name":"A1","amp":8}'), SCHEMA)).toMatchObject({ ok: false });
	});

	it.each(['', '{"name":', 'name=A1'])('that is no JSON is refused in words: %j', async (body) => {
		await expect(readBody(sent(body), SCHEMA)).rejects.toMatchObject({
			status: 400,
			body: { message: expect.stringContaining('not JSON') }
		});
	});
});

describe('the answer to what does not hold', () => {
	it('says what and where, for the page to show', async () => {
		const answer = refused({ what: 'Too many amps.', where: 'amps', mend: 'Type fewer.' });
		expect(answer.status).toBe(400);
		expect(await answer.json()).toEqual({
			kind: 'refused',
			words: 'Too many amps.',
			where: 'amps'
		});
	});
});
