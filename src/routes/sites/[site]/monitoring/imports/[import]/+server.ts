import { error, json } from '@sveltejs/kit';
import { database } from '$lib/server/database';
import { stopImport, takePiece } from '$lib/server/monitoring/imports';
import type { RequestHandler } from './$types';

/** Takes the next piece of the file: the body, from the byte that the address names. */
export const PUT: RequestHandler = async ({ params, request, url }) => {
	const from = Number(url.searchParams.get('from'));
	if (!Number.isSafeInteger(from) || from < 0) {
		return json({ words: 'The address does not say where the piece begins.' }, { status: 400 });
	}
	const piece = new Uint8Array(await request.arrayBuffer());
	const last = url.searchParams.get('last') === 'yes';
	if (piece.length === 0 && !last) {
		return json(
			{ words: 'The piece is empty: its body or its content type is missing.' },
			{ status: 400 }
		);
	}
	const taken = await takePiece(await database(), params.import, from, piece, last);
	if (!taken.ok) return json({ words: taken.problem }, { status: 422 });
	return json(taken.value);
};

/** Takes an import back whole. */
export const DELETE: RequestHandler = async ({ params }) => {
	if (!(await stopImport(await database(), params.import))) {
		error(404, { message: 'There is no such import.' });
	}
	return json({});
};
