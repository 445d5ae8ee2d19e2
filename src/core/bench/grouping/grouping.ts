import { BLOCKING_SCHOTTKY, type BusCircuit, BusSource, operate } from '../../circuit';
import { USUAL_PARTS } from '../../expectation';
import { maximumPowerPoint } from '../../module';
import { needWords, ratingProblem, stringFuseRule } from '../../design-checks';
import {
	coldVoltage,
	moduleIn,
	stringOf,
	powerAlone,
	type Sky,
	type TestedModule
} from '../tested';
import { curveGrid } from './curves';
import type { SearchBasis, Shape } from './layout';
import { firstPower, search, type Found } from './search';

/** What strings are wanted for: an inverter's or a controller's input. */
export interface Target {
	/** Highest DC, V; null: not known. */
	readonly maxVolts: number | null;
	/** Volts between which it tracks; null: not known. */
	readonly windowLow: number | null;
	readonly windowHigh: number | null;
	/** Highest short-circuit current of all strings together, A; null: not known. */
	readonly inputAmps: number | null;
	/** All strings on one tracker, or each on its own. */
	readonly trackers: 'one' | 'each';
	/** A blocking diode in each string. */
	readonly blocking: boolean;
	/** Rating of the string fuses, A; null: none. */
	readonly fuse: number | null;
	readonly profile: 'US' | 'IEC';
	/** Lowest temperature of the site, degC; null: not known. */
	readonly lowest: number | null;
}

export const FREE_TARGET: Target = {
	maxVolts: null,
	windowLow: null,
	windowHigh: null,
	inputAmps: null,
	trackers: 'one',
	blocking: false,
	fuse: null,
	profile: 'IEC',
	lowest: null
};

/** Strings by modules, or whatever gives most. */
type Wanted =
	| { readonly kind: 'fixed'; readonly strings: number; readonly modules: number }
	| { readonly kind: 'free' };

export interface GroupingAsk {
	readonly modules: readonly TestedModule[];
	readonly wanted: Wanted;
	readonly target: Target;
	readonly sky: Sky;
}

/** Modules by id: those of each string from its negative end, and those that stay out. */
export interface Grouping {
	readonly strings: readonly (readonly string[])[];
	readonly out: readonly string[];
}

/** One string of a grouping with what it gives. */
export interface StringGives {
	readonly modules: readonly TestedModule[];
	readonly voltage: number;
	readonly current: number;
	readonly power: number;
	/** Its modules one by one, W. */
	readonly alone: number;
	/** Open circuit in the cold, V; null where the lowest temperature is not known. */
	readonly cold: number | null;
	/** The module that holds its current down, where one does by more than a few percent. */
	readonly heldBy: TestedModule | null;
}

/** A grouping with what it gives, by the circuit. */
export interface GroupingGives {
	readonly grouping: Grouping;
	readonly strings: readonly StringGives[];
	readonly power: number;
	/** All modules of the strings one by one, W. */
	readonly alone: number;
	readonly voltage: number;
	readonly current: number;
	/** Limits that it does not keep, in words. */
	readonly broken: readonly string[];
}

/** How far a search is, with the best so far. */
export interface GroupingProgress {
	/** Share of the layouts that were begun, 0 to 1. */
	readonly done: number;
	readonly best: Grouping | null;
	/** By the grid of the search, W. */
	readonly power: number;
}

const LONGEST = 60;

/** Shapes that may be: the one that is wanted, or every length that the limits allow. */
function shapesOf({ modules, wanted, target }: GroupingAsk): Shape[] {
	if (wanted.kind === 'fixed') return [{ count: wanted.strings, length: wanted.modules }];
	const n = modules.length;
	const shapes: Shape[] = [];
	const cold = Math.min(...modules.map((module) => coldVoltage(module, target)));
	for (let length = 1; length <= Math.min(n, LONGEST); length++) {
		if (target.maxVolts !== null && length * cold > target.maxVolts) break;
		const most = Math.floor(n / length);
		for (let count = most; count >= Math.max(1, most - 1); count--) shapes.push({ count, length });
	}
	return shapes;
}

export function basisOf({ modules, target, sky }: GroupingAsk, longest: number): SearchBasis {
	return {
		grid: curveGrid(modules, sky, longest, target.blocking),
		imp: modules.map((module) => maximumPowerPoint(moduleIn(module, sky)).amps),
		power: modules.map((module) => powerAlone(module, sky)),
		cold: modules.map((module) => coldVoltage(module, target)),
		coldMost: target.maxVolts ?? Infinity,
		window: { least: target.windowLow ?? 0, most: target.windowHigh ?? Infinity },
		trackers: target.trackers
	};
}

/** Starts by chance: many for a few modules, where every one is quick. */
const shufflesFor = (modules: number) => (modules <= 12 ? 24 : modules <= 60 ? 4 : 1);
/** So many shapes are searched where any may be: those that give most before any swap. */
const SHAPES_SEARCHED = 3;

/**
 * Finds the grouping with the most power, step by step; the caller runs it in a worker and may stop at
 * any step with the best so far.
 *
 * @param random evenly from 0 to 1; passed in, so that an answer can be had again
 * @returns the best grouping; null where there are too few modules for what is wanted
 */
export function* findGrouping(
	ask: GroupingAsk,
	random: () => number
): Generator<GroupingProgress, Grouping | null> {
	const shapes = shapesOf(ask)
		.filter(({ count, length }) => count > 0 && length > 0 && count * length <= ask.modules.length)
		.map((shape) => {
			const basis = basisOf(ask, shape.length);
			return { shape, basis, first: firstPower(basis, shape) };
		})
		.sort((a, b) => b.first - a.first)
		.slice(0, SHAPES_SEARCHED);
	const shuffles = shufflesFor(ask.modules.length);
	let best: Found | null = null;
	const named = (found: Found | null): Grouping | null =>
		found && {
			strings: found.layout.strings.map((string) => string.map((m) => ask.modules[m]!.id)),
			out: found.layout.out.map((m) => ask.modules[m]!.id)
		};
	for (const [at, { shape, basis }] of shapes.entries()) {
		const running = search(basis, shape, shuffles, random);
		for (;;) {
			const { value, done } = running.next();
			if (value && (best === null || value.power > best.power)) best = value;
			if (done) break;
			yield { done: at / shapes.length, best: named(best), power: best?.power ?? 0 };
		}
	}
	return best !== null && best.power > 0 ? named(best) : null;
}

/** The strings of a grouping on one bus. */
function busOf(
	strings: readonly (readonly TestedModule[])[],
	{ blocking }: Target,
	sky: Sky
): BusCircuit {
	return {
		...USUAL_PARTS,
		strings: strings.map((modules, s) => ({
			...stringOf(`${s + 1}`, modules, sky),
			...(blocking && { blockingDiode: { ...BLOCKING_SCHOTTKY, state: 'whole' as const } })
		}))
	};
}

/** A module more than this below the middle of its string holds it down. */
const HOLDS = 0.03;

/** What a grouping gives, by the circuit of the core. */
export function groupingGives(
	grouping: Grouping,
	{ modules, target, sky }: Pick<GroupingAsk, 'modules' | 'target' | 'sky'>
): GroupingGives {
	const byId = new Map(modules.map((module) => [module.id, module]));
	const strings = grouping.strings
		.map((ids) => ids.flatMap((id) => byId.get(id) ?? []))
		.filter((string) => string.length > 0);
	const load = {
		kind: 'tracker',
		window: { least: target.windowLow ?? 0, most: target.windowHigh },
		ampsAtMost: null,
		wattsAtMost: null
	} as const;
	const together = new BusSource(busOf(strings, target, sky));
	const at = strings.length > 0 ? operate(together, load) : null;
	const branches = at && target.trackers === 'one' ? together.branchesAt(at.volts) : [];
	const gives = strings.map((own, s): StringGives => {
		const single =
			target.trackers === 'one'
				? { volts: at!.volts, amps: branches[s]!, power: at!.volts * branches[s]! }
				: operate(new BusSource(busOf([own], target, sky)), load);
		const imps = own.map((module) => maximumPowerPoint(moduleIn(module, sky)).amps);
		const middle = [...imps].sort((a, b) => a - b)[imps.length >> 1]!;
		const weakest = imps.indexOf(Math.min(...imps));
		return {
			modules: own,
			voltage: single.volts,
			current: single.amps,
			power: single.power,
			alone: own.reduce((sum, module) => sum + powerAlone(module, sky), 0),
			cold:
				target.lowest === null
					? null
					: own.reduce((sum, module) => sum + coldVoltage(module, target), 0),
			heldBy: imps[weakest]! < (1 - HOLDS) * middle ? own[weakest]! : null
		};
	});
	const power = gives.reduce((sum, one) => sum + one.power, 0);
	return {
		grouping,
		strings: gives,
		power,
		alone: gives.reduce((sum, one) => sum + one.alone, 0),
		voltage: at?.volts ?? 0,
		current: gives.reduce((sum, one) => sum + one.current, 0),
		broken: brokenLimits(gives, target, at?.limit ?? 'none')
	};
}

function brokenLimits(strings: readonly StringGives[], target: Target, limit: string): string[] {
	const broken: string[] = [];
	const { maxVolts: maxVoltage, inputAmps: inputCurrent, windowLow } = target;
	strings.forEach(({ cold }, s) => {
		if (cold !== null && maxVoltage !== null && cold > maxVoltage) {
			broken.push(
				`String ${s + 1} reaches ${cold.toFixed(0)} V in the cold; ${maxVoltage} V is the most.`
			);
		}
	});
	const isc = strings.map(({ modules }) =>
		Math.max(...modules.map(({ plate: nameplate }) => nameplate.isc))
	);
	const all = isc.reduce((sum, current) => sum + current, 0);
	if (inputCurrent !== null && target.trackers === 'one' && all > inputCurrent) {
		broken.push(
			`The strings together reach ${all.toFixed(1)} A by their Isc; the input takes ${inputCurrent} A.`
		);
	}
	if (windowLow !== null && (limit === 'window-floor' || limit === 'below-window')) {
		broken.push(
			`The maximum lies below ${windowLow} V, where the tracker begins: too few in series.`
		);
	}
	broken.push(...fuseWords(strings, target));
	return broken;
}

/** Whether strings want a fuse, and whether the one that is there is right for every module. */
function fuseWords(strings: readonly StringGives[], { fuse, trackers, profile }: Target): string[] {
	if (trackers === 'each' || strings.length < 2) return [];
	const modules = strings.flatMap((string) => string.modules);
	const bears = modules.flatMap(({ seriesFuse }) => seriesFuse ?? []);
	const parallel = {
		count: strings.length,
		isc: Math.max(...modules.map(({ plate: nameplate }) => nameplate.isc)),
		moduleFuse: bears.length > 0 ? Math.min(...bears) : null
	};
	const rule = stringFuseRule(parallel, { profile, alwaysFuse: false });
	if (fuse === null) {
		return rule.needed
			? [`Each string needs a fuse. ${needWords(rule, parallel)} (${rule.clause})`]
			: [];
	}
	const problem = ratingProblem(rule, fuse);
	return problem === null ? [] : [`The fuse: ${problem} (${rule.sizeClause})`];
}
