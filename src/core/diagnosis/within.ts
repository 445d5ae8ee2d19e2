import type { Spread } from '../faults';
import type { Within } from './cause';
import type { StringBuild } from './suspect';

/** Together they hold the cause with this chance. */
const HELD = 0.95;

const NAMES: Readonly<Record<Exclude<Spread, 'string'>, readonly [one: string, many: string]>> = {
	module: ['module', 'modules'],
	section: ['section', 'sections'],
	joint: ['joint', 'joints'],
	device: ['device', 'devices'],
	pole: ['pole', 'poles']
};

/** Runs of numbers in words: "4 to 9, 12". */
export function runsInWords(numbers: readonly number[]): string {
	const runs: [number, number][] = [];
	for (const n of numbers) {
		const last = runs.at(-1);
		if (last && n === last[1] + 1) last[1] = n;
		else runs.push([n, n]);
	}
	return runs.map(([a, b]) => (a === b ? `${a}` : `${a} to ${b}`)).join(', ');
}

/** One place of a fault in words: "module 4, substring 2", "the connector above module 3". */
export function placeName(spread: Spread, at: number, { type }: Pick<StringBuild, 'type'>): string {
	switch (spread) {
		case 'module':
			return `module ${at + 1}`;
		case 'section': {
			const each = type.plate.sections;
			return `module ${Math.floor(at / each) + 1}, substring ${(at % each) + 1}`;
		}
		case 'device':
			return `device ${at + 1}`;
		case 'joint':
			return at === 0 ? 'the lead below module 1' : `the connector above module ${at}`;
		case 'pole':
			return at === 0 ? 'positive pole' : 'negative pole';
		case 'string':
			return '';
	}
}

/** Several places of one kind; sections are told by their modules. */
function placeNames(spread: Spread, at: readonly number[], { type }: StringBuild): string {
	if (spread === 'section') {
		const modules = [...new Set(at.map((place) => Math.floor(place / type.plate.sections) + 1))];
		return modules.length === 1
			? `module ${modules[0]!}`
			: `one of modules ${runsInWords(modules)}`;
	}
	if (spread === 'pole') return 'either pole';
	if (spread === 'string') return '';
	if (spread === 'joint') return `one of the connectors above modules ${runsInWords(at)}`;
	return `one of ${NAMES[spread][1]} ${runsInWords(at.map((place) => place + 1))}`;
}

/**
 * What is left of the places of a fault; null where every place is as likely as at first.
 *
 * @param weights chance of each place, given the fault, [places]
 */
export function withinOf(
	spread: Spread,
	weights: readonly number[],
	build: StringBuild
): Within | null {
	if (spread === 'string' || weights.length < 2) return null;
	const even = 1 / weights.length;
	if (weights.every((weight) => Math.abs(weight - even) < 0.05 * even)) return null;
	const order = weights.map((share, at) => ({ share, at })).sort((a, b) => b.share - a.share);
	const kept: number[] = [];
	let sum = 0;
	for (const { share, at } of order) {
		if (sum >= HELD) break;
		kept.push(at);
		sum += share;
	}
	const at = kept.sort((a, b) => a - b);
	const [best] = order;
	return {
		spread,
		at,
		likeliest: best!.at,
		share: best!.share,
		words: at.length === 1 ? placeName(spread, at[0]!, build) : placeNames(spread, at, build)
	};
}
