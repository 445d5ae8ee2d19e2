import { expectedAt } from '$core/assessment';
import { readFileSync } from 'node:fs';
import type { VisitDocument } from '$core/document';
import { assess } from '$core/diagnosis';
import { id, LARGE_SITE } from './large-site';

/** A visit to the depot with every string's volts and amps read; each tenth string lost a module. */
export function readEveryString(visitId: string): VisitDocument {
	const terminal = readFileSync('demo/saltmarsh-2026-11-17.zembo-visit.json', 'utf8');
	const { visit: demo } = JSON.parse(terminal) as VisitDocument;
	const visit = {
		...LARGE_SITE.visit,
		id: visitId,
		conditions: demo.conditions.map((entry, n) => ({ ...entry, id: id(0x7f00 + n) }))
	};
	const like = new Map(demo.readings.map((reading) => [reading.quantity, reading]));
	const wanted = assess(LARGE_SITE.record, visit).places.flatMap((expectation, n) => {
		const { stringId, quantity } = expectation;
		const reading = like.get(quantity);
		if (!reading || quantity === 'short-circuit-current') return [];
		const lost = n % 10 === 0 ? 0.96 : 1;
		const value = Number(((expectedAt(expectation)?.value ?? reading.value) * lost).toFixed(2));
		const place = { kind: 'string' as const, string: stringId };
		return [{ ...reading, id: id(0x8000 + n), place, value, typed: String(value) }];
	});
	return { ...LARGE_SITE, visit: { ...visit, readings: wanted } };
}
