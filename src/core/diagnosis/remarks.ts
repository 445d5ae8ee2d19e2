import type { WithheldTest } from '../visit-plan';
import type { Cause } from './cause';
import type { ProposedTest } from './next/proposed-test';

/** What a person should be told plainly about the answer as a whole. */
export type Remark =
	/** The first line has several members that no proposed test tells apart. */
	| { readonly code: 'not-separable'; readonly causeId: string }
	/** Something is open, and no test is worth its time. */
	| { readonly code: 'no-test-worthwhile' }
	/** The readings contradict the array record of these strings. */
	| { readonly code: 'record-contradicted'; readonly strings: readonly string[] }
	/** A test is not proposed, since a defect found or the order of tests forbids it now. */
	| ({ readonly code: 'test-withheld' } & WithheldTest);

/** The remark on a test that is withheld. */
export function remarkOfWithheld(test: WithheldTest): Remark {
	return { code: 'test-withheld', ...test };
}

/** From here on a line is worth a test of its own. */
const OPEN = 0.15;
/** A test that tells less than this is not worth its time, bit. */
const WORTHWHILE = 0.05;
/** A line from which on the record is doubted. */
const QUESTIONED = 0.5;

/** The remarks on an answer, the record first, since it decides what to look at. */
export function remarksOn(causes: readonly Cause[], next: readonly ProposedTest[]): Remark[] {
	const remarks: Remark[] = [];
	const contradicted = causes
		.filter(
			({ members: [{ code }], probability }) =>
				probability >= QUESTIONED && (code === 'record-wrong' || code === 'strings-swapped')
		)
		.flatMap(({ members: [{ place }] }) => place.strings ?? (place.string ? [place.string] : []));
	if (contradicted.length > 0) {
		remarks.push({ code: 'record-contradicted', strings: [...new Set(contradicted)] });
	}
	const open = causes.filter(
		({ members: [{ code }], probability }) =>
			code !== 'healthy' && code !== 'clipping' && probability >= OPEN
	);
	const worthwhile = next.filter(({ information }) => information >= WORTHWHILE);
	const [first] = open;
	if (first && first.members.length > 1) {
		const codes = first.members.map(({ code }) => code);
		const separated = worthwhile.some(
			({ stringId, outcomes }) =>
				(first.stringId === null || stringId === first.stringId) &&
				outcomes.some(
					({ leaves }) =>
						codes.some((code) => leaves.includes(code)) &&
						codes.some((code) => !leaves.includes(code))
				)
		);
		if (!separated) remarks.push({ code: 'not-separable', causeId: first.id });
	}
	if (open.length > 0 && worthwhile.length === 0) remarks.push({ code: 'no-test-worthwhile' });
	return remarks;
}
