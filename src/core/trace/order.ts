import type { Cause, CauseMember } from './cause';

/**
 * What a line weighs by its consequence, beside its probability; Zembo default. A fault that is passed over
 * costs more than one that is looked for in vain, and one that can hurt somebody costs most. Clipping and
 * unequal strings cost energy alone.
 */
function consequence({ code }: Pick<CauseMember, 'code'>): number {
	switch (code) {
		case 'earth-fault':
		case 'connector-reversed':
		case 'disconnect-welded':
		case 'rsd-device-stuck-on':
		case 'arc-fault':
			return 1.1;
		case 'healthy':
			return 0.9;
		case 'reading-wrong':
			return 0.9;
		case 'clipping':
		case 'unequal-parallel':
			return 0.85;
		default:
			return 1;
	}
}

/** What a line is ordered by: probability times consequence. */
function weightOf({ probability, members }: Pick<Cause, 'probability' | 'members'>): number {
	return probability * consequence(members[0]);
}

/** Orders lines, the one to act on first. */
export function byConsequence(a: Cause, b: Cause): number {
	return weightOf(b) - weightOf(a);
}
