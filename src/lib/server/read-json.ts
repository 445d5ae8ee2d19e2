import { error } from '@sveltejs/kit';

/** The body of a request as JSON, or a refusal in words. */
export async function readJson(request: Request): Promise<unknown> {
	try {
		return await request.json();
	} catch {
		error(400, { message: 'The body is not JSON.', mend: 'Send one JSON object.' });
	}
}
