import type { Reading } from '$core/visit';

/** What the server says of a reading that it does not take. */
interface Refusal {
	readonly kind: 'question' | 'overtaken' | 'refused' | 'make-safe';
	readonly words: string;
	/** The reading that stands in its place. */
	readonly standing?: Reading;
}

/** What became of an entry. */
export type Posted =
	| { readonly ok: true }
	| {
			readonly ok: false;
			/** Whether sending the same once more may succeed. */
			readonly again: boolean;
			readonly refusal: Refusal;
	  };

const JSON_HEADERS = { 'content-type': 'application/json' };

/** Sends a reading, or the taking back of one; it arrives although the page is left meanwhile. */
export async function postEntry(
	visitId: string,
	path: 'readings' | 'withdrawals',
	body: unknown
): Promise<Posted> {
	try {
		const response = await fetch(`/visits/${visitId}/${path}`, {
			method: 'POST',
			headers: JSON_HEADERS,
			keepalive: true,
			body: JSON.stringify(body)
		});
		if (response.ok) return { ok: true };
		const answer = (await response.json()) as Partial<Refusal> & { message?: string };
		return {
			ok: false,
			again: response.status >= 500,
			refusal: {
				kind: answer.kind ?? 'refused',
				words: answer.words ?? answer.message ?? 'The server refused it.',
				...(answer.standing && { standing: answer.standing })
			}
		};
	} catch {
		const words = 'The server did not answer. What you typed is kept here.';
		return { ok: false, again: true, refusal: { kind: 'refused', words } };
	}
}
