import { maximumPowerPoint } from '../../module';
import { refuse, type Result, succeed } from '../../units';
import { moduleIn, type TestedModule } from '../tested';
import { basisOf, type Grouping, type GroupingAsk } from './grouping';
import { swapsOf } from './search';

/** Two modules that may change places for next to nothing. */
export interface FreeSwap {
	readonly a: TestedModule;
	readonly b: TestedModule;
	/** W */
	readonly cost: number;
}

/** Share of the whole power below which a swap costs nothing. */
const NOTHING = 0.001;
const SHOWN = 12;

/** Swaps that cost nothing: whoever carries the modules up may take either. */
export function freeSwaps(grouping: Grouping, ask: GroupingAsk, power: number): FreeSwap[] {
	const index = new Map(ask.modules.map(({ id }, m) => [id, m]));
	const at = (ids: readonly string[]) => ids.flatMap((id) => index.get(id) ?? []);
	const layout = { strings: grouping.strings.map(at), out: at(grouping.out) };
	const longest = Math.max(0, ...layout.strings.map((string) => string.length));
	if (longest === 0) return [];
	return swapsOf(basisOf(ask, longest), layout, SHOWN)
		.filter(({ cost }) => Math.abs(cost) < NOTHING * power)
		.map(({ a, b, cost }) => ({ a: ask.modules[a]!, b: ask.modules[b]!, cost }));
}

/**
 * What to buy so that those that stay out make a string more, in words; null where none stays out.
 */
export function fillUp(
	{ strings, out }: Grouping,
	{ modules, sky }: Pick<GroupingAsk, 'modules' | 'sky'>
): string | null {
	const length = strings[0]?.length ?? 0;
	const left = modules.filter(({ id }) => out.includes(id));
	if (length === 0 || left.length === 0) return null;
	const wanted = length - (left.length % length || length);
	const current = left.map((module) => maximumPowerPoint(moduleIn(module, sky)).amps);
	const voltage = left.map(({ plate: nameplate }) => nameplate.vmp).sort((a, b) => a - b);
	const many = left.length === 1 ? 'The one that stays out' : `The ${left.length} that stay out`;
	if (wanted === 0) {
		return `${many} would make ${left.length / length} more ${left.length === length ? 'string' : 'strings'}; they give less beside the others than they take.`;
	}
	return `${many} would make a string more with ${wanted} ${wanted === 1 ? 'module' : 'modules'} of about ${voltage[voltage.length >> 1]!.toFixed(0)} V and at least ${Math.max(...current).toFixed(1)} A at full power.`;
}

/**
 * A grouping as one writes it down: marks with blanks between, strings by line or bar: "1 2 3 | 4 5 6".
 */
export function readGrouping(
	typed: string,
	modules: readonly TestedModule[]
): Result<Grouping, string> {
	const byMark = new Map(modules.map((module) => [module.mark.toLowerCase(), module.id]));
	const used = new Set<string>();
	const strings: string[][] = [];
	for (const line of typed.split(/[|\n;]+/)) {
		const marks = line.split(/[\s,]+/).filter(Boolean);
		if (marks.length === 0) continue;
		const ids: string[] = [];
		for (const mark of marks) {
			const id = byMark.get(mark.toLowerCase());
			if (id === undefined) {
				return refuse(
					`There is no module ${mark} among those taken. Take it in, or mend the mark.`
				);
			}
			if (used.has(id))
				return refuse(`Module ${mark} stands twice. It can be in one string alone.`);
			used.add(id);
			ids.push(id);
		}
		strings.push(ids);
	}
	if (strings.length === 0) return refuse('Type the marks of each string, with | between strings.');
	return succeed({ strings, out: modules.map(({ id }) => id).filter((id) => !used.has(id)) });
}
