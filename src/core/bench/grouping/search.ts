import type { Layout, SearchBasis, Shape } from './layout';
import { WorkingLayout } from './working-layout';
import { starts } from './starts';

/** A layout with its power by the grid. */
export interface Found {
	readonly layout: Layout;
	readonly power: number;
}

/** A swap must gain at least this share to be made: less is the grid's own grain. */
const WORTH_A_SWAP = 1e-5;

/** One round of all swaps; whether any gained. */
function improve(standing: WorkingLayout): boolean {
	const { strings, out } = standing;
	let gained = false;
	const least = WORTH_A_SWAP * standing.power;
	for (let s = 0; s < strings.length; s++) {
		for (let i = 0; i < strings[s]!.length; i++) {
			for (let j = 0; j < out.length; j++) {
				if (standing.tries(s, i, 'out', j, least)) gained = true;
			}
			for (let t = s + 1; t < strings.length; t++) {
				for (let j = 0; j < strings[t]!.length; j++) {
					if (standing.tries(s, i, t, j, least)) gained = true;
				}
			}
		}
	}
	return gained;
}

/** Rounds after which a start is left even if it still gains. */
const ROUNDS = 40;

/**
 * Searches the layout of the greatest power: swaps of two modules, of strings or of those that stay
 * out, as long as one gains, from several starts. Yields after every round the best so far, so that whoever
 * runs it may show it and stop.
 *
 * @param random evenly from 0 to 1
 * @returns null where there are too few modules
 */
export function* search(
	basis: SearchBasis,
	shape: Shape,
	shuffles: number,
	random: () => number
): Generator<Found | null, Found | null> {
	let best: Found | null = null;
	const { count, length } = shape;
	if (count < 1 || length < 1 || count * length > basis.imp.length) return null;
	for (const start of starts(basis, shape, shuffles, random)) {
		const standing = new WorkingLayout(basis, start.strings, start.out);
		for (let round = 0; round < ROUNDS; round++) {
			const gained = improve(standing);
			if (best === null || standing.power > best.power) {
				best = {
					layout: { strings: standing.strings.map((s) => [...s]), out: [...standing.out] },
					power: standing.power
				};
			}
			yield best;
			if (!gained) break;
		}
	}
	return best;
}

/** What a shape gives before any swap, W: by which shapes are chosen that are worth searching. */
export function firstPower(basis: SearchBasis, shape: Shape): number {
	let most = -Infinity;
	for (const start of starts(basis, shape, 0, () => 0)) {
		most = Math.max(most, new WorkingLayout(basis, start.strings, start.out).power);
	}
	return most;
}

/** Two modules that may change places. */
export interface Swap {
	readonly a: number;
	readonly b: number;
	/** What it costs, W. */
	readonly cost: number;
}

/** Swaps of modules in different strings, or with one that stays out, the cheapest first. */
export function swapsOf(basis: SearchBasis, layout: Layout, most: number): Swap[] {
	const standing = new WorkingLayout(basis, layout.strings, layout.out);
	const swaps: Swap[] = [];
	standing.strings.forEach((own, s) => {
		own.forEach((a, i) => {
			standing.out.forEach((b, j) => {
				swaps.push({ a, b, cost: -standing.gain(s, i, 'out', j) });
			});
			for (let t = s + 1; t < standing.strings.length; t++) {
				standing.strings[t]!.forEach((b, j) => {
					swaps.push({ a, b, cost: -standing.gain(s, i, t, j) });
				});
			}
		});
	});
	return swaps.sort((a, b) => Math.abs(a.cost) - Math.abs(b.cost)).slice(0, most);
}
