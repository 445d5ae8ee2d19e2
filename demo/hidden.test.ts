import { describe, expect, it } from 'vitest';
import { hiddenScenario, hiddenVisit } from '../tests/support/hidden-scenario';
import { follow } from '$core/training';
import { readVisitDocument } from '$core/document';
import { HIDDEN, stringOfFault } from './hidden';
import { VISITS } from './visits';

/** Every visit of the demo as its file has it, by id. */
const DOCUMENTS = new Map(
	Object.values(VISITS).map((write) => {
		const read = readVisitDocument(write());
		if (!read.ok) throw new Error(read.problem.what);
		return [read.value.visit.id, read.value];
	})
);

/** Follows one planted fault of the demo by the tests that are proposed, to its end. */
function followed(name: keyof typeof HIDDEN, nth = 0) {
	const hidden = hiddenVisit(name);
	const document = DOCUMENTS.get(hidden.visit)!;
	const stringId = stringOfFault(document.record, hidden.faults[nth]!);
	const scenario = hiddenScenario(hidden, document);
	return follow(scenario, { ...(stringId && { stringId }) });
}

/* Those that lead through another kind of test each are followed on the page, in tests/browser/trace.test.ts. */
describe('following the proposed tests', () => {
	it('finds the corroded connector by its heat', () => {
		const { line, tests } = followed('saltmarsh', 3);
		expect(tests.some((key) => key.includes('joint-rise'))).toBe(true);
		expect(line?.members[0]).toMatchObject({
			code: 'connector-resistive',
			place: { within: { likeliest: 7 } }
		});
	});

	it('finds the weak module of two on a battery, by their short circuits', () => {
		const { line, tests } = followed('hut');
		expect(tests[0]).toContain('shade-seen');
		expect(line?.members[0]).toMatchObject({
			code: 'module-degraded',
			place: { within: { likeliest: 1 } }
		});
	});

	it('finds the degraded module', () => {
		expect(followed('weak').line?.members[0]).toMatchObject({
			code: 'module-degraded',
			place: { within: { likeliest: 8 } }
		});
	});
});
