import { error, json } from '@sveltejs/kit';
import { changeRequestSchema } from '$core/document';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { refusalWords } from '$lib/server/record-words';
import { changeRecord } from '$lib/server/repositories/sites';
import type { RequestHandler } from './$types';

/** Stores a change of the record; the answer has the whole record only where others changed it too. */
export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, changeRequestSchema);
	if (!input.ok) return refused(input.problem);
	const stored = await changeRecord(
		await database(),
		params.site,
		input.value,
		new Date().toISOString()
	);
	if (stored.ok) {
		const { revision, merged } = stored.value;
		const { id, number, createdAt, record } = revision;
		return json({ id, number, createdAt, ...(merged && { record }) }, { status: 201 });
	}
	const refusal = stored.problem;
	if (refusal.kind === 'no-such-site') error(404, { message: 'There is no such site.' });
	const words = refusalWords(refusal);
	return refusal.kind === 'changed-meanwhile'
		? json({ words, newest: refusal.newest }, { status: 409 })
		: json({ words }, { status: 400 });
};
