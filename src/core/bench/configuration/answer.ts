import {
	type Arrangement,
	curveOf,
	type Limit,
	type Load,
	operate,
	type QuickAnswer,
	quickRule,
	whereTheyPart
} from '../../circuit';
import { maximumPowerPoint, shortCircuitCurrent } from '../../module';
import { moduleIn, type Sky, type TestedModule } from '../tested';
import { branchCurrent, build, type Built, type ConfigurationParts } from './elements';
import { branchesOf, modulesOf, type ArrayConfiguration } from './tree';

/** What one module of a mix does where the whole stands. */
export interface ConfigurationPlace {
	readonly id: string;
	readonly of: string;
	readonly voltage: number;
	readonly current: number;
	readonly power: number;
	/** What it would give by itself in its own light, W, and at which current, A. */
	readonly alone: number;
	readonly bestCurrent: number;
	/** Gives; its diodes carry the current past it; or it is fed by others. */
	readonly does: 'gives' | 'passed-by' | 'fed';
}

export interface ConfigurationAnswer {
	/** Where the load holds it. */
	readonly voltage: number;
	readonly current: number;
	readonly power: number;
	readonly limit: Limit;
	readonly curve: { readonly voltage: readonly number[]; readonly current: readonly number[] };
	readonly openVoltage: number;
	readonly shortCurrent: number;
	readonly quick: QuickAnswer;
	/** Why the rule and the curves part; null where they agree. */
	readonly parting: string | null;
	/** Labels of all its modules together, W. */
	readonly labelWatts: number;
	/** Each module by itself in this light, W. */
	readonly alonePower: number;
	readonly places: readonly ConfigurationPlace[];
	/** Currents of the strings, A; less than 0: fed by the others. */
	readonly branches: readonly number[];
	/** Who limits whom, in words; empty where nobody does. */
	readonly limits: readonly string[];
}

const POINTS = 140;
export type TrackerLoad = Extract<Load, { kind: 'tracker' }>;
export const TRACKER: TrackerLoad = {
	kind: 'tracker',
	window: { least: 0, most: null },
	ampsAtMost: null,
	wattsAtMost: null
};

/** Every module at its own best, as the quick rule is told. */
function arrangementOf(mix: ArrayConfiguration, parts: ConfigurationParts): Arrangement {
	if (mix.kind === 'module') {
		const { sky, moduleOf } = parts;
		const lit = { ...sky, irradiance: sky.irradiance * Math.max(mix.irradiance, 0.001) };
		return { kind: 'module', ...maximumPowerPoint(moduleIn(moduleOf(mix.of), lit)) };
	}
	return { kind: mix.kind, of: mix.parts.map((part) => arrangementOf(part, parts)) };
}

/**
 * What a mix gives into a load, by the curves and by the quick rule.
 *
 * @param load a tracker that finds the maximum, or a battery behind its controller
 */
export function answerConfiguration(
	mix: ArrayConfiguration,
	parts: ConfigurationParts,
	load: Load = TRACKER
): ConfigurationAnswer {
	const built = build(mix, parts);
	const { element } = built;
	const at = operate(element, load);
	const ideal = load === TRACKER ? at : operate(element, TRACKER);
	const quick = quickRule(arrangementOf(mix, parts));
	const { volts: voltage, amps: current } = curveOf(element, POINTS);
	const places = placesOf(mix, built, parts, at.volts);
	const branches = branchCurrent(element, at.volts);
	return {
		voltage: at.volts,
		current: at.amps,
		power: at.power,
		limit: at.limit,
		curve: { voltage: [...voltage], current: [...current] },
		openVoltage: element.openVoltage,
		shortCurrent: element.currentAt(0),
		quick,
		parting: whereTheyPart(quick, ideal, branchCurrent(element, ideal.volts)),
		labelWatts: modulesOf(mix).reduce((sum, { of }) => sum + parts.moduleOf(of).labelWatts, 0),
		alonePower: places.reduce((sum, { alone }) => sum + alone, 0),
		places,
		branches,
		limits: limitsOf(mix, places, branches, parts)
	};
}

const FED = -0.02;

function placesOf(
	mix: ArrayConfiguration,
	{ parts: elements }: Built,
	parts: ConfigurationParts,
	voltage: number
): ConfigurationPlace[] {
	const found: ConfigurationPlace[] = [];
	const walk = (part: ArrayConfiguration, at: { volts: number } | { amps: number }): void => {
		const element = elements.get(part.id)!;
		const own =
			'volts' in at
				? { voltage: at.volts, current: element.currentAt(at.volts) }
				: { voltage: element.voltageAt(at.amps), current: at.amps };
		if (part.kind === 'module') {
			const module = parts.moduleOf(part.of);
			const lit = { ...parts.sky, irradiance: parts.sky.irradiance * part.irradiance };
			const best =
				part.irradiance > 0 ? maximumPowerPoint(moduleIn(module, lit)) : { volts: 0, amps: 0 };
			found.push({
				id: part.id,
				of: part.of,
				...own,
				power: own.voltage * own.current,
				alone: best.volts * best.amps,
				bestCurrent: best.amps,
				does: own.current < FED ? 'fed' : isBypassed(own, module, lit) ? 'passed-by' : 'gives'
			});
			return;
		}
		for (const one of part.parts) {
			walk(one, part.kind === 'parallel' ? { volts: own.voltage } : { amps: own.current });
		}
	};
	walk(mix, { volts: voltage });
	return found;
}

/** Whether the bypass diodes carry what the cells cannot: more current than the module can produce, and no voltage. */
function isBypassed(
	{ voltage, current }: { readonly voltage: number; readonly current: number },
	module: TestedModule,
	lit: Sky & { readonly irradiance: number }
): boolean {
	const most = lit.irradiance > 0 ? shortCircuitCurrent(moduleIn(module, lit)) : 0;
	return voltage < 0 && current > most;
}

/** A module that gives less than this share of what it could is held by others. */
const HELD = 0.93;

function limitsOf(
	mix: ArrayConfiguration,
	places: readonly ConfigurationPlace[],
	branches: readonly number[],
	{ moduleOf }: ConfigurationParts
): string[] {
	const byId = new Map(places.map((place) => [place.id, place]));
	const words: string[] = [];
	branchesOf(mix).forEach((branch, b) => {
		const own = modulesOf(branch).map(({ id }) => byId.get(id)!);
		const fed = branches[b] ?? 0;
		if (fed < FED) {
			words.push(
				`String ${b + 1} is fed ${(-fed).toFixed(1)} A by the others: it takes power instead of giving it.`
			);
			return;
		}
		const passed = own.filter(({ does }) => does === 'passed-by');
		if (passed.length > 0) {
			words.push(
				`${named(passed, moduleOf)} ${passed.length === 1 ? 'is' : 'are'} bypassed in string ${b + 1}: the others keep their current, ${passed.length === 1 ? 'its' : 'their'} voltage is lost.`
			);
			return;
		}
		const short = own.filter(({ power, alone }) => alone > 0 && power < HELD * alone);
		// Below its best current a module is held by a weaker one; above it the bus pulls its volts down.
		const held = short.filter(({ current, bestCurrent }) => current < bestCurrent);
		const pulled = short.filter(({ current, bestCurrent }) => current >= bestCurrent);
		const weakest = own.filter(
			({ bestCurrent, alone }) =>
				alone > 0 && bestCurrent <= 1.02 * Math.min(...own.map((one) => one.bestCurrent))
		);
		if (held.length > 0 && weakest.length < own.length) {
			words.push(
				`${named(weakest, moduleOf)} ${weakest.length === 1 ? 'holds' : 'hold'} string ${b + 1} to ${fed.toFixed(1)} A; ${named(held, moduleOf)} could give more.`
			);
		} else if (held.length > 0 || pulled.length > 0) {
			const voltage = own.reduce((sum, one) => sum + one.voltage, 0);
			words.push(
				`String ${b + 1} operates at ${voltage.toFixed(0)} V, away from its own maximum: the others on the bus set its voltage.`
			);
		}
	});
	return words;
}

function named(
	places: readonly ConfigurationPlace[],
	moduleOf: ConfigurationParts['moduleOf']
): string {
	const marks = [...new Set(places.map(({ of }) => moduleOf(of).mark))];
	return marks.length > 3
		? `${marks.slice(0, 3).join(', ')} and ${marks.length - 3} more`
		: marks.join(', ');
}
