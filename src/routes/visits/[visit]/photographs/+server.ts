import { error, json } from '@sveltejs/kit';
import { z } from 'zod';
import { carriesCameraData, PICTURE, pictureType } from '$core/document/picture';
import { instant } from '$core/document/record';
import { database } from '$lib/server/database';
import { insertPhotograph } from '$lib/server/repositories/photographs';
import { visitExists } from '$lib/server/repositories/visits';
import type { RequestHandler } from './$types';

const side = z.coerce.number().int().min(1).max(PICTURE.side);
const querySchema = z.object({ id: z.uuid(), takenAt: instant, width: side, height: side });

const refused = (words: string) => json({ words }, { status: 400 });

/** Stores a photograph that the browser has made small and freed of what the camera wrote beside it. */
export const POST: RequestHandler = async ({ params, request, url }) => {
	const query = querySchema.safeParse(Object.fromEntries(url.searchParams));
	if (!query.success) return refused('The picture’s size or time is missing.');
	const bytes = new Uint8Array(await request.arrayBuffer());
	if (bytes.length > PICTURE.bytes) {
		return refused(
			`The picture has ${Math.round(bytes.length / 1000)} kB; at most ${PICTURE.bytes / 1000} are stored.`
		);
	}
	const type = pictureType(bytes);
	if (!type.ok) return refused(type.problem);
	if (carriesCameraData(bytes)) {
		return refused('The picture still carries the camera’s data, where its place would stand.');
	}
	const db = await database();
	if (!(await visitExists(db, params.visit))) error(404, { message: 'There is no such visit.' });
	await insertPhotograph(db, {
		...query.data,
		visitId: params.visit,
		addedAt: new Date().toISOString(),
		type: type.value,
		bytes
	});
	return json({ id: query.data.id }, { status: 201 });
};
