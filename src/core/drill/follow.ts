import { assess, type Assessment } from '../trace/assess';
import type { Cause } from '../trace/cause';
import { isFound } from '../trace/found';
import { answerTest, withAnswer } from './answer';
import { randomFrom } from './random';
import type { Scenario } from './scenario';

/** A visit traced to its end by the tests that were proposed. */
export interface Followed {
	readonly assessment: Assessment;
	readonly tests: readonly string[];
	readonly minutes: number;
	/** The line that was followed; null where none was likely enough. */
	readonly line: Cause | null;
}

/** A string with less chance of a fault is let be. */
const DOUBTFUL = 0.3;

/**
 * Follows the best proposed test again and again, until the likeliest fault is one part or nothing
 * proposed would tell more.
 *
 * @param most tests at most
 */
export function follow(scenario: Scenario, most = 40): Followed {
	const random = randomFrom(scenario.seed ^ 0x5eed);
	let { visit } = scenario;
	const tests: string[] = [];
	let minutes = 0;
	for (;;) {
		const assessment = assess(scenario.record, visit);
		const line =
			assessment.causes.find(
				({ members, faulty }) =>
					faulty >= DOUBTFUL && !['healthy', 'reading-wrong'].includes(members[0].code)
			) ?? null;
		const next = assessment.next.find(
			({ stringId, key }) =>
				(!line || stringId === null || line.stringId === null || stringId === line.stringId) &&
				!tests.includes(key)
		);
		const placed = line !== null && isFound(line) && !moreToPlace(line, next?.information ?? 0);
		if (placed || !next || tests.length >= most) {
			return { assessment, tests, minutes, line };
		}
		const value = answerTest(scenario, next, random);
		tests.push(next.key);
		if (value === null) continue;
		minutes += next.minutes;
		visit = withAnswer(visit, next, value, tests.length);
	}
}

/** A code that is sure, with a place that is not and a test that would tell it. */
function moreToPlace({ members: [first] }: Cause, information: number): boolean {
	return first.place.within === undefined && information > 0.3;
}
