import { assess, type Assessment, type Cause, isFound, type ProposedTest } from '../diagnosis';
import { answerTest, withAnswer } from './answer';
import { randomFrom } from '../numerics';
import type { Scenario } from './scenario';

/** A visit traced to its end by the tests that were proposed. */
export interface Followed {
	readonly assessment: Assessment;
	/** Keys of the readings that were taken, in their order. */
	readonly tests: readonly string[];
	readonly minutes: number;
	/** The line that was followed; null where none was likely enough. */
	readonly line: Cause | null;
}

/** How a visit is followed. */
export interface Following {
	/** Tests at most. */
	readonly most?: number;
	/** The one string that is traced; the likeliest fault where absent. */
	readonly stringId?: string;
	/** A fault with less chance than this is let be. */
	readonly doubtful?: number;
}

/**
 * Follows the best proposed test again and again, until the likeliest fault is one part or nothing
 * proposed would tell more.
 */
export function follow(
	scenario: Scenario,
	{ most = 40, stringId, doubtful = 0.3 }: Following = {}
): Followed {
	const random = randomFrom(scenario.seed ^ 0x5eed);
	let { visit } = scenario;
	const tests: string[] = [];
	let minutes = 0;
	for (;;) {
		const assessment = assess(scenario.record, visit);
		const line = lineToFollow(assessment, stringId, doubtful);
		const open = assessment.next.filter(
			(test) => !tests.includes(test.key) && concerns(test, stringId ?? line?.stringId ?? null)
		);
		const [next] = open;
		if ((line && isFound(line, open)) || !next || tests.length >= most) {
			return { assessment, tests, minutes, line };
		}
		const value = answerTest(scenario, next, random);
		tests.push(next.key);
		if (value === null) continue;
		minutes += next.minutes;
		visit = withAnswer(visit, next, value, tests.length);
	}
}

/** The likeliest fault, of one string where it is asked for. */
function lineToFollow(
	{ causes }: Assessment,
	stringId: string | undefined,
	doubtful: number
): Cause | null {
	return (
		causes.find(
			({ members, faulty, stringId: of }) =>
				faulty >= doubtful &&
				(stringId === undefined || of === stringId) &&
				members[0].code !== 'healthy' &&
				members[0].code !== 'reading-wrong'
		) ?? null
	);
}

const concerns = ({ stringId }: ProposedTest, wanted: string | null) =>
	wanted === null || stringId === null || stringId === wanted;
