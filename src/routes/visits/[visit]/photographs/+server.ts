import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { instant, PICTURE } from '$core/document';
import { database } from '$lib/server/database';
import { encodedAnew } from '$lib/server/photographs/decode';
import { roomFor } from '$lib/server/repositories/append';
import { insertPhotograph } from '$lib/server/repositories/photographs';
import { visitExists } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

const querySchema = z.object({ id: z.uuid(), takenAt: instant });

const refused = (words: string) => json({ words }, { status: 400 });

/** Stores a photograph that the browser has made small. */
export const POST: RequestHandler = async ({ params, request, url }) => {
	const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
	if (!query.success) return refused('The picture’s id or time is missing.');
	const db = await database();
	if (!(await visitExists(db, params.visit))) error(404, { message: 'There is no such visit.' });
	const bytes = new Uint8Array(await request.arrayBuffer());
	if (bytes.length > PICTURE.bytes) {
		return refused(
			`The picture has ${Math.round(bytes.length / 1000)} kB; at most ${PICTURE.bytes / 1000} are stored.`
		);
	}
	const picture = await encodedAnew(bytes);
	if (!picture.ok) return refused(picture.problem);
	const room = await roomFor(db, 'photograph', params.visit);
	if (!room.ok) return refused(room.problem);
	const stored = await insertPhotograph(db, {
		...query.data,
		...picture.value,
		visitId: params.visit,
		addedAt: new Date().toISOString()
	});
	if (!stored) {
		return json({ words: 'Another photograph is stored under this id already.' }, { status: 409 });
	}
	return json({ id: query.data.id }, { status: 201 });
};
