import type { ArrayRecord } from '../record';
import { targetsOf, type Target } from './target';

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
	for (const [name, target] of namesIn(record)) note(name, target);
	const found = new Map<string, Target>();
	for (const name of names) {
		const key = plain(name);
		const target = ARRAY_NAMES.has(key) ? ({ kind: 'array' } as const) : known.get(key);
		if (target) found.set(name, target);
	}
	const rest = names.filter((name) => !found.has(name));
	for (const [name, target] of byOrder(rest, record)) found.set(name, target);
	return found;
}

/** Every name of every part once, in one walk over the record: a site has tens of thousands of modules. */
function* namesIn({ parts, strings }: ArrayRecord): Generator<[string, Target]> {
	for (const part of parts) {
		if (part.kind !== 'inverter') continue;
		const target = { kind: 'inverter', part: part.id } as const;
		for (const name of new Set([part.mark, part.serial ?? ''])) yield [name, target];
	}
	for (const { id, label, moduleCount, modules } of strings) {
		yield [label, { kind: 'string', string: id }];
		const details = new Map(modules.map((detail) => [detail.number, detail]));
		for (let module = 1; module <= moduleCount; module++) {
			const target = { kind: 'module', string: id, module } as const;
			const detail = details.get(module);
			const own = [detail?.serial ?? '', detail?.deviceCode ?? '', `${label} ${module}`];
			for (const name of new Set(own)) yield [name, target];
		}
	}
}

/** Names of one stem that end in 1 to n for as many modules, strings or inverters. */
function byOrder(names: readonly string[], record: ArrayRecord): [string, Target][] {
	const stems = new Map<string, { name: string; at: number }[]>();
	for (const name of names) {
		const at = lastNumber(name);
		if (at === null) continue;
		const runs = plain(name).split(' ');
		const stem = (/^\d/.test(runs.at(-1)!) ? runs.slice(0, -1) : runs).join(' ');
		const run = stems.get(stem);
		if (run) run.push({ name, at });
		else stems.set(stem, [{ name, at }]);
	}
	const counted = [...stems.values()]
		.map((run) => run.sort((a, b) => a.at - b.at))
		.filter((run) => run.every(({ at }, i) => at === i + 1));
	const targets = targetsOf(record);
	for (const kind of ['module', 'string', 'inverter'] as const) {
		const of = targets.filter((target) => target.kind === kind);
		const [run, ...more] = counted.filter((one) => one.length === of.length);
		if (run && more.length === 0) return run.map(({ name }, i) => [name, of[i]!]);
	}
	return [];
}

function lastNumber(name: string): number | null {
	const last = name.match(/\d+/g)?.at(-1);
	return last === undefined ? null : Number(last);
}
