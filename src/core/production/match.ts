import type { ArrayRecord } from '../record/record';
import { codesOf, factsOf, targetsOf, type Target } from './target';

/** Lower case, letters and figures alone, with figures without leading zeros: "INV-01" is "inv1". */
function plain(name: string): string {
	return (name.toLowerCase().match(/\p{L}+|\d+/gu) ?? [])
		.map((run) => run.replace(/^0+(?=\d)/, ''))
		.join(' ');
}

const ARRAY_NAMES = new Set(['', 'site', 'system', 'plant', 'array', 'total', 'all', 'whole site']);

/**
 * A first guess of which part each unit of an export is: by serial number or device code, by the mark
 * on the drawing, and where all names only differ in a number that runs from 1, by their order.
 *
 * @returns the part by name; names that nothing fits are left out
 */
export function matchUnits(
	names: readonly string[],
	record: ArrayRecord
): ReadonlyMap<string, Target> {
	const known = new Map<string, Target | null>();
	const note = (name: string, target: Target) => {
		const key = plain(name);
		// A name of two parts names neither.
		if (key !== '') known.set(key, known.has(key) ? null : target);
	};
	for (const target of targetsOf(record)) {
		for (const code of codesOf(record, target)) note(code, target);
		const facts = target.kind === 'array' ? null : factsOf(record, target);
		if (facts && !codesOf(record, target).includes(facts.label)) note(facts.label, target);
	}
	const found = new Map<string, Target>();
	for (const name of names) {
		const target = ARRAY_NAMES.has(plain(name))
			? ({ kind: 'array' } as const)
			: known.get(plain(name));
		if (target) found.set(name, target);
	}
	const rest = names.filter((name) => !found.has(name));
	for (const [name, target] of byOrder(rest, record)) found.set(name, target);
	return found;
}

/** Names of one stem that end in 1 to n for as many modules, strings or inverters. */
function byOrder(names: readonly string[], record: ArrayRecord): [string, Target][] {
	const stems = new Map<string, { name: string; at: number }[]>();
	for (const name of names) {
		const at = lastNumber(name);
		if (at === null) continue;
		const stem = plain(name).replace(/ ?\d+$/, '');
		stems.set(stem, [...(stems.get(stem) ?? []), { name, at }]);
	}
	const runs = [...stems.values()]
		.map((run) => run.sort((a, b) => a.at - b.at))
		.filter((run) => run.every(({ at }, i) => at === i + 1));
	const targets = targetsOf(record);
	for (const kind of ['module', 'string', 'inverter'] as const) {
		const of = targets.filter((target) => target.kind === kind);
		const [run, ...more] = runs.filter((one) => one.length === of.length);
		if (run && more.length === 0) return run.map(({ name }, i) => [name, of[i]!]);
	}
	return [];
}

function lastNumber(name: string): number | null {
	const found = /(\d+)\D*$/.exec(name);
	return found ? Number(found[1]) : null;
}
