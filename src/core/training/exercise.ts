import { type FaultCode, FAULTS, type Visit } from '../visit';
import {
	type CauseCode,
	faultOf,
	type Spread,
	STRING_FAULT_CODES,
	type StringFaultCode
} from '../faults';
import type { ArrayRecord } from '../record';
import { placeName } from '../diagnosis';
import { randomFrom } from '../numerics';
import { HIDDEN_CODES, type HiddenCode } from './planting';
import { drawScenario, type Scenario, type Wishes } from './scenario';
import { isTooMild } from './too-mild';
import type { HiddenFault } from './truth';

/** How hard an exercise is. */
export const LEVELS = ['one-string', 'anything', 'as-it-comes'] as const;
export type Level = (typeof LEVELS)[number];

/** An array with something hidden in it, for somebody who practises. */
export interface Exercise {
	/** Number and level give the same exercise to everybody. */
	readonly number: number;
	readonly level: Level;
	readonly scenario: Scenario;
	/** The visit with its conditions as stated, and nothing read yet. */
	readonly visit: Visit;
}

/** Faults that a beginner finds with a meter and a clamp. */
const FIRST: readonly HiddenCode[] = [
	'fuse-blown',
	'connector-open',
	'connector-reversed',
	'module-open',
	'module-shorted',
	'module-missing',
	'bypass-diode-shorted',
	'earth-fault'
];
/** Draws before one is taken as it is. */
const DRAWS = 40;

function wishesFor(level: Level, seed: number): Wishes {
	const random = randomFrom(seed);
	switch (level) {
		case 'one-string':
			return {
				code: random.pick(FIRST),
				plain: true,
				strings: random.whole(3, 5),
				modules: random.whole(8, 14),
				devices: false,
				fused: true
			};
		case 'anything':
			return { code: random.pick(HIDDEN_CODES), plain: true };
		case 'as-it-comes':
			return {};
	}
}

/**
 * Draws an exercise; the same number and level give the same one. What is hidden is large enough to be
 * found, but at the last level: there it may be nothing, two faults, or a reading taken wrong.
 *
 * @param number 1 or more, whole
 */
export function drawExercise(number: number, level: Level): Exercise {
	const draw = (n: number) => {
		const seed = DRAWS * number + n;
		return drawScenario(seed, wishesFor(level, seed));
	};
	const canBeFound = (drawn: Scenario) =>
		level === 'as-it-comes' ||
		(drawn.truth.faults.length > 0 &&
			drawn.truth.faults.every((fault) => !isTooMild(fault, drawn)));
	let scenario = draw(0);
	for (let n = 1; n < DRAWS && !canBeFound(scenario); n++) scenario = draw(n);
	return { number, level, scenario, visit: { ...scenario.visit, readings: [] } };
}

/** What somebody says it is. */
export interface Answer {
	readonly code: CauseCode;
	/** Mark of the string; null for several, or what they share. */
	readonly string: string | null;
	/** Module, joint, device or pole, as {@link measurementPointOf} counts; null where none is named. */
	readonly spot: number | null;
}

/** Where in its string a fault sits, for the person: sections by their module. */
export interface MeasurementPoint {
	readonly kind: Exclude<Spread, 'string' | 'section'>;
	/** Modules and devices from 1; joints from 0 below module 1; poles 1 for plus, 2 for minus. */
	readonly number: number;
}

function spreadOf(code: CauseCode): Spread | null {
	return (STRING_FAULT_CODES as readonly string[]).includes(code)
		? faultOf(code as StringFaultCode).spread
		: null;
}

/** What has to be named besides the string, for a cause; null where nothing has. */
export function pointKindOf(code: CauseCode): MeasurementPoint['kind'] | null {
	const spread = spreadOf(code);
	if (spread === null || spread === 'string') return null;
	return spread === 'section' ? 'module' : spread;
}

/** Where a hidden fault sits; null where it has no such place. */
export function measurementPointOf(
	{ code, at }: HiddenFault,
	{ moduleTypes }: ArrayRecord
): MeasurementPoint | null {
	const kind = pointKindOf(code);
	if (kind === null || at === null) return null;
	const substrings = moduleTypes[0]!.plate.sections;
	const place = spreadOf(code) === 'section' ? Math.floor(at / substrings) : at;
	return { kind, number: kind === 'joint' ? place : place + 1 };
}

/** How an answer stands to what was hidden. */
export interface Marking {
	readonly cause: boolean;
	readonly string: boolean;
	/** Null where nothing within the string was to be named. */
	readonly spot: boolean | null;
	/** All that was so, in full sentences. */
	readonly truth: readonly string[];
}

/** Marks an answer by the hidden fault that it comes nearest to. */
export function markAnswer({ scenario }: Exercise, answer: Answer): Marking {
	const { record, truth } = scenario;
	const words = truthWords(scenario);
	const wrongAt = new Set(
		scenario.visit.readings
			.filter(({ id }) => scenario.mistakes.has(id))
			.flatMap(({ place }) => ('string' in place ? [place.string] : []))
	);
	if (answer.code === 'reading-wrong') {
		const named = record.strings.find(({ label }) => label === answer.string);
		const string = named !== undefined && wrongAt.has(named.id);
		return { cause: wrongAt.size > 0, string, spot: null, truth: words };
	}
	if (truth.faults.length === 0) {
		const right = answer.code === 'healthy';
		return { cause: right, string: right, spot: null, truth: words };
	}
	const marks = truth.faults.map((fault): Marking => {
		const spot = measurementPointOf(fault, record);
		const alone = fault.strings.length === 1;
		const string = alone
			? fault.strings[0] === answer.string
			: answer.string === null || fault.strings.includes(answer.string);
		const cause = fault.code === answer.code;
		return {
			cause,
			string,
			spot: spot === null ? null : cause && string && spot.number === answer.spot,
			truth: words
		};
	});
	const points = ({ cause, string, spot }: Marking) =>
		4 * Number(cause) + 2 * Number(string) + Number(spot === true);
	return marks.reduce((best, one) => (points(one) > points(best) ? one : best));
}

/** What was hidden, in words. */
function truthWords({ record, truth, visit, mistakes }: Scenario): string[] {
	const type = record.moduleTypes[0]!;
	const faults = truth.faults.map(({ code, strings, at, link, size }) => {
		const spread = spreadOf(code);
		const within = at === null || spread === null ? '' : placeName(spread, at, { type });
		const where = [strings.length === record.strings.length ? '' : strings.join(', '), within, link]
			.filter(Boolean)
			.join(', ');
		return `${FAULTS[code as FaultCode].words}${where ? ` at ${where}` : ''}${sizeWords(code, size)}.`;
	});
	const wrong = visit.readings
		.filter(({ id }) => mistakes.has(id))
		.map(({ id, place }) => {
			const string = 'string' in place && record.strings.find((one) => one.id === place.string);
			return `A reading${string ? ` of ${string.label}` : ''} comes out wrong: ${MISTAKE_WORDS[mistakes.get(id)!]}.`;
		});
	const all = [...faults, ...wrong];
	return all.length > 0 ? all : ['Nothing is wrong with this array.'];
}

const MISTAKE_WORDS = {
	'leads-swapped': 'leads swapped',
	'times-ten': 'ten times too much',
	tenth: 'a tenth',
	zero: 'nothing shown',
	'ac-range': 'meter on AC'
} as const;

/** Sizes that say more than the fault's name. */
function sizeWords(code: CauseCode, size: number | null): string {
	if (size === null) return '';
	switch (code) {
		case 'module-missing':
		case 'module-extra':
		case 'unequal-parallel':
			return size === 1 ? ', one module' : `, ${size} modules`;
		case 'module-degraded':
		case 'soiling':
		case 'shade':
			return `, ${Math.round(100 * size)} % lost`;
		case 'connector-resistive':
		case 'earth-fault':
			return `, ${size < 10 ? size.toFixed(1) : Math.round(size)} ohm`;
		default:
			return '';
	}
}
