import { v7 as uuid } from 'uuid';
import { smallPicture } from './photograph';
import { send } from './send-json';

/** Id of a picture that is stored, or why it is not. */
export type StoredPhotograph =
	| { readonly ok: true; readonly id: string }
	| { readonly ok: false; readonly words: string };

/** Makes a picture small and stores it with a visit. */
export async function storePhotograph(visitId: string, file: File): Promise<StoredPhotograph> {
	const small = await smallPicture(file);
	if (!small.ok) return { ok: false, words: small.problem };
	const { blob, takenAt } = small.value;
	const id = uuid();
	const query = new URLSearchParams({ id, takenAt });
	const answer = await send(`/visits/${visitId}/photographs?${query}`, {
		method: 'POST',
		headers: { 'content-type': blob.type },
		body: blob
	});
	return answer.ok ? { ok: true, id } : { ok: false, words: answer.words };
}
