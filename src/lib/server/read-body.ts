import { error, json } from '@sveltejs/kit';
import type { z } from 'zod';
import { parseJson, type Problem, problemOf } from '$core/document';
import { refuse, type Result, succeed } from '$core/units';

/** The body of a request as JSON that holds to a schema, or what is wrong with it and where. */
export async function readBody<Schema extends z.ZodType>(
	request: Request,
	schema: Schema
): Promise<Result<z.output<Schema>, Problem>> {
	const body = parseJson(await request.text());
	if (!body.ok)
		error(400, {
			message: `The body is not JSON: ${body.problem}.`,
			mend: 'Send one JSON object.'
		});
	const read = schema.safeParse(body.value);
	return read.success ? succeed(read.data) : refuse(problemOf(read.error));
}

/** The answer to a body that does not hold. */
export function refused({ what, where }: Problem): Response {
	return json({ kind: 'refused', words: what, where }, { status: 400 });
}
