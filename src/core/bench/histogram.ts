import type { ModuleResult } from './evaluate';

/** Modules by their share of label power, in steps of a tenth. */
export interface Bin {
	readonly from: number;
	readonly to: number;
	readonly marks: readonly string[];
}

/** Steps from 0 to 120 %; what lies beyond counts in the last. */
const STEPS = 12;

export function histogramOf(results: readonly ModuleResult[]): Bin[] {
	const marks = Array.from({ length: STEPS }, (): string[] => []);
	for (const { share, module } of results) {
		if (share === null) continue;
		// 0.7 over 0.1 is a hair below 7.
		const step = Math.min(STEPS - 1, Math.max(0, Math.floor(share * 10 + 1e-9)));
		marks[step]!.push(module.mark);
	}
	return marks.map((of, i) => ({ from: i / 10, to: (i + 1) / 10, marks: of }));
}

/** Best first: by what they are worth, those that nothing is known of last. */
export function ranked(results: readonly ModuleResult[]): ModuleResult[] {
	return [...results].sort((a, b) => (b.power ?? -1) - (a.power ?? -1));
}
