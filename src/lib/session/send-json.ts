const JSON_HEADERS = { 'content-type': 'application/json' };

export type Answer<Body> =
	| { readonly ok: true; readonly body: Body }
	| {
			readonly ok: false;
			/** Why, in words for the person. */
			readonly words: string;
			/** Whether sending the same once more may succeed. */
			readonly again: boolean;
			readonly body: Body | null;
	  };

/** Posts JSON; whatever goes wrong comes back as words. */
export async function sendJson<Body>(path: string, body: unknown): Promise<Answer<Body>> {
	return send(path, { method: 'POST', headers: JSON_HEADERS, body: JSON.stringify(body) });
}

/** Sends a request and reads its JSON answer; whatever goes wrong comes back as words. */
export async function send<Body>(path: string, request: RequestInit): Promise<Answer<Body>> {
	try {
		const response = await fetch(path, request);
		const answer = (await response.json()) as Body & { words?: string; message?: string };
		if (response.ok) return { ok: true, body: answer };
		const words = answer.words ?? answer.message ?? 'The server refused it.';
		return { ok: false, words, again: response.status >= 500, body: answer };
	} catch {
		const words = 'The server did not answer. Nothing was stored; what you did stays here.';
		return { ok: false, words, again: true, body: null };
	}
}
