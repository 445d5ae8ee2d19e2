import { expectedAt } from '$core/assessment';
import { error, json } from '@sveltejs/kit';
import { readingSchema, type VisitDocument } from '$core/document';
import { questionBeforeStoring } from '$core/expectation';
import { keyOf, QUANTITY_FACTS, type Reading } from '$core/visit';
import { judge } from '$core/diagnosis';
import { database } from '$lib/server/database';
import { readBody, refused } from '$lib/server/read-body';
import { appendReading } from '$lib/server/repositories/visits';
import { tellVisit } from '$lib/server/visit-events';
import type { RequestHandler } from './$types';

/** The same question the browser asks, for whoever does not ask it. */
function ask({ record, visit }: VisitDocument, reading: Reading): string | null {
	const key = keyOf(reading);
	const tried = { ...visit, readings: [...visit.readings, reading] };
	const place = judge(record, tried).places.find((candidate) => candidate.key === key);
	const { unit } = QUANTITY_FACTS[reading.quantity];
	return questionBeforeStoring(reading.value, (place && expectedAt(place)?.value) ?? null, unit);
}

export const POST: RequestHandler = async ({ params, request }) => {
	const input = await readBody(request, readingSchema);
	if (!input.ok) return refused(input.problem);
	const stored = await appendReading(await database(), params.visit, input.value, (document) =>
		ask(document, input.value)
	);
	if (stored.ok) {
		tellVisit(params.visit, { kind: 'reading', entry: stored.value });
		return json({ reading: stored.value }, { status: 201 });
	}
	const refusal = stored.problem;
	if (refusal.kind === 'no-such-visit') error(404, { message: 'There is no such visit.' });
	return json(refusal, { status: refusal.kind === 'refused' ? 400 : 409 });
};
