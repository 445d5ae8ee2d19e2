import type { Reading } from '../visit';

/** A mistake is made again the same way once in so many times; judgement. */
const SAME_MISTAKE = 0.08;
/** Two takes agree within this share of the larger, or an absolute rest. */
const AGREE = { share: 0.04, rest: 0.15 };

/** By what a mistake is less likely for a figure that earlier takes of the same place agree with. */
export function repeatedMistake(standing: Reading, takes: readonly Reading[]): number {
	const agreeing = takes.filter(
		({ id, value }) =>
			id !== standing.id &&
			Math.abs(value - standing.value) <=
				AGREE.rest + AGREE.share * Math.max(Math.abs(value), Math.abs(standing.value))
	);
	return SAME_MISTAKE ** agreeing.length;
}
