import type { Cause, CauseMember } from './cause';

/**
 * What a line weighs by its consequence, beside its probability; Zembo default. A fault that is passed over
 * costs more than one that is looked for in vain, and one that can hurt somebody costs most. A reading is
 * repeated on the spot; clipping and unequal strings cost energy alone; conditions that were not as stated, or
 * soiling on all strings alike, send nobody to any one string.
 */
function consequence({ code, place }: Pick<CauseMember, 'code' | 'place'>): number {
	if (code === 'soiling' && place.string === undefined) return OF_ALL_STRINGS;
	switch (code) {
		case 'earth-fault':
		case 'connector-reversed':
		case 'disconnect-welded':
		case 'rsd-device-stuck-on':
		case 'arc-fault':
			return 1.1;
		case 'clipping':
		case 'unequal-parallel':
			return 0.88;
		case 'reading-wrong':
			return 0.85;
		case 'healthy':
			return 0.7;
		case 'conditions-wrong':
			return OF_ALL_STRINGS;
		default:
			return 1;
	}
}

const OF_ALL_STRINGS = 0.65;

/** What stands beside the strings' causes: the strings may be sound and this found all the same. */
const BESIDE: readonly CauseMember['code'][] = ['clipping', 'unequal-parallel'];

/** What a cause weighs that no reading speaks for: it is as likely as before anything was read. */
const NOT_BORNE_OUT = 0.5;

type Line = Pick<Cause, 'probability' | 'members' | 'borneOut'>;

/**
 * Lines in order of probability times consequence, the one to act on first. That nothing is wrong counts less
 * the surer it is that something was found beside the strings.
 */
export function inOrder<L extends Line>(lines: readonly L[]): L[] {
	const nothingBeside = lines.reduce(
		(product, { members: [{ code }], probability }) =>
			BESIDE.includes(code) ? product * Math.min(1, 2 * (1 - probability)) : product,
		1
	);
	const weight = ({ probability, members: [first], borneOut }: Line) =>
		probability *
		consequence(first) *
		(first.code === 'healthy' ? nothingBeside : borneOut ? 1 : NOT_BORNE_OUT);
	return [...lines].sort((a, b) => weight(b) - weight(a));
}
