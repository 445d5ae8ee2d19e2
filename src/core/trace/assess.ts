import type { ArrayRecord } from '../record/record';
import { expectReadings, type Expectations } from '../expectation/expect';
import { standingReadings } from '../expectation/standing';
import { plainRule, type PlainRule } from '../expectation/five-percent';
import { stringKey } from '../expectation/place';
import { judgeByLimits } from '../rules/judge/judge';
import type { LimitVerdict } from '../rules/judge/limit-verdict';
import type { Quantity } from '../expectation/quantity';
import type { Visit } from '../expectation/visit';
import type { Cause } from './cause';
import { groupPosterior } from './posterior';
import { causesOf } from './rank';

/** Everything Zembo says of a visit: expected values, verdicts, causes, and what was not tested. */
export interface Assessment extends Omit<Expectations, 'siblingGroups'> {
	/** What is said of every other reading, by its limit. */
	readonly limits: readonly LimitVerdict[];
	/** What the plain 5 % rule would say, by place. */
	readonly plain: Readonly<Record<string, PlainRule>>;
	/** Best first; among them "healthy", that nothing is wrong that these readings can show. */
	readonly causes: readonly Cause[];
	/** Why there are no causes; null where there are. */
	readonly noCauses: string | null;
	/** What no reading taken can show, in words. */
	readonly untested: readonly string[];
}

/**
 * The one assessment: browser, server and command line call this and nothing else.
 *
 * @param record the array as recorded, in the revision the visit points at
 * @param visit conditions, meters and readings as entered
 */
export function assess(record: ArrayRecord, visit: Visit): Assessment {
	const expected = expectReadings(record, visit);
	const { siblingGroups, ...rest } = expected;
	const expectations = {
		...rest,
		limits: judgeByLimits(record, visit, expected),
		plain: Object.fromEntries(plainRule(record, standingReadings(visit)))
	};
	const untested = untestedWords(record, visit);
	const read = siblingGroups.filter((group) => group.shared.size > 0);
	if (read.length === 0) {
		const noCauses =
			siblingGroups.length === 0
				? 'No causes yet: enter irradiance and cell temperature first.'
				: 'No causes yet: nothing is read.';
		return { ...expectations, causes: [], noCauses, untested };
	}
	const posteriors = read.map(groupPosterior);
	const healthy: Cause = {
		id: 'visit/healthy',
		members: [
			{
				code: 'healthy',
				place: {},
				words: 'Nothing wrong',
				probability: posteriors.reduce((product, p) => product * p.healthy, 1),
				severity: ''
			}
		],
		probability: posteriors.reduce((product, p) => product * p.healthy, 1),
		stringId: null,
		title: 'Nothing wrong that these readings can show',
		perhaps: null,
		reasons: [],
		lookAlikes: null,
		tests: []
	};
	const causes = [...posteriors.flatMap(causesOf), healthy].sort(
		(a, b) => b.probability - a.probability
	);
	return { ...expectations, causes, noCauses: null, untested };
}

function untestedWords(record: ArrayRecord, visit: Visit): string[] {
	const standing = standingReadings(visit);
	const lacking = (
		quantities: readonly ('open-circuit-voltage' | 'operating-current' | 'short-circuit-current')[]
	) =>
		record.strings
			.filter(
				(string) => !quantities.some((quantity) => standing.has(stringKey(string.id, quantity)))
			)
			.map((string) => string.label);
	const words: string[] = [];
	const noVolts = lacking(['open-circuit-voltage']);
	if (noVolts.length > 0) {
		words.push(
			`Open-circuit volts not read on ${noVolts.join(', ')}: lost modules or sections and polarity would not show.`
		);
	}
	const noAmps = lacking(['operating-current', 'short-circuit-current']);
	if (noAmps.length > 0) {
		words.push(
			`Current not read on ${noAmps.join(', ')}: a blown fuse, dirt or a resistive connector would not show.`
		);
	}
	const earthed = (quantity: Quantity) =>
		[...standing.values()].some((reading) => reading.quantity === quantity);
	if (!earthed('positive-to-earth') && !earthed('insulation-resistance')) {
		words.push('Earth faults: neither volts to earth nor insulation was read.');
	}
	return words;
}
