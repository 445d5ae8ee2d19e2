import type { ArrayRecord } from '../record/record';
import { expectReadings, yearsInService, type Expectations } from '../expectation/expect';
import type { SiblingGroup } from '../expectation/group';
import { placeKey } from '../expectation/place';
import { standingReadings, takesOf } from '../expectation/standing';
import { plainRule, type PlainRule } from '../expectation/five-percent';
import type { Reading, Visit } from '../expectation/visit';
import { partsOf } from '../record/part';
import { judgeByLimits } from '../rules/judge/judge';
import type { LimitVerdict } from '../rules/judge/limit-verdict';
import { sinceRepairs } from '../rules/repair/since-repairs';
import { maximumPowerPoint, openCircuitVoltage } from '../module/single-diode';
import { agedModel, moduleHere } from '../expectation/predict';
import type { ApartPosterior } from './apart/apart';
import { apartCauses } from './apart/lines';
import { allSound, weighAparts } from './apart/sources';
import { speaksAgainstConditions } from './common-causes';
import { besideCauses } from './beside';
import { casesOf, inputVolts, type InputVolts } from './cases';
import type { Cause, RuledOut } from './cause';
import { lineOf } from './line';
import { groupPosterior, type GroupPosterior } from './posterior';
import { causesOf, ruledOut } from './rank';
import { ratesAfterMessage } from './message';
import { apartTests } from './next/apart-tests';
import { nextTests } from './next/next-tests';
import type { ProposedTest } from './next/proposed-test';
import { scopeTests } from './next/scope-tests';
import { sharedTests } from './next/shared-tests';
import type { Scope } from './scope';
import { scopesOf } from './scopes';
import { nothingToShow } from './temper';
import { untestedWords } from './untested';

/** What is said of every reading by itself: expected values and verdicts. */
export interface Judgement extends Omit<Expectations, 'siblingGroups'> {
	/** What is said of every other reading, by its limit. */
	readonly limits: readonly LimitVerdict[];
	/** What the plain 5 % rule would say, by place. */
	readonly plain: Readonly<Record<string, PlainRule>>;
}

/** Everything Zembo says of a visit: expected values, verdicts, causes, and what was not tested. */
export interface Assessment extends Judgement {
	/** Best first; among them "healthy", that nothing is wrong that these readings can show. */
	readonly causes: readonly Cause[];
	/** Why there are no causes; null where there are. */
	readonly noCauses: string | null;
	/** What would tell most for its minutes and its danger, best first. */
	readonly next: readonly ProposedTest[];
	/** What the readings of a doubtful string leave no room for. */
	readonly ruledOut: readonly RuledOut[];
	/** What no reading taken can show, in words. */
	readonly untested: readonly string[];
}

/** A group with all that was weighed of it. */
export interface Traced {
	readonly posterior: GroupPosterior;
	readonly scopes: readonly Scope[];
	readonly inputs: ReadonlyMap<string, InputVolts>;
}

/** A string with less chance of a fault than this needs no list of what it cannot be. */
const DOUBTFUL = 0.15;

/**
 * The first part of {@link assess}, which is there many times sooner: the verdicts, so that a figure is
 * judged before the next is typed.
 */
export function judge(record: ArrayRecord, entered: Visit): Judgement {
	return judged(record, sinceRepairs(record, entered)).judgement;
}

function judged(record: ArrayRecord, visit: Visit) {
	const expected = expectReadings(record, visit);
	const { siblingGroups, ...rest } = expected;
	const judgement: Judgement = {
		...rest,
		limits: judgeByLimits(record, visit, expected),
		plain: Object.fromEntries(plainRule(record, standingReadings(visit)))
	};
	return { judgement, siblingGroups };
}

/**
 * The one assessment: browser, server and command line call this and nothing else.
 *
 * @param record the array as recorded, in the revision the visit points at
 * @param entered conditions, meters, readings and repairs as entered; what was read before a repair of
 * its place is left out
 */
export function assess(record: ArrayRecord, entered: Visit): Assessment {
	const visit = sinceRepairs(record, entered);
	const { judgement: expectations, siblingGroups } = judged(record, visit);
	const untested = untestedWords(record, visit);
	const traced = traceGroups(record, visit, siblingGroups);
	const aparts = weighAparts({
		record,
		standing: standingReadings(visit),
		takes: (key) => takesOf(visit, key),
		rates: record.rates,
		says: visit.inverterSays,
		earthFound: earthFound(traced),
		module: moduleNow(record, visit)
	});
	// The record alone may say that a part suits badly. That one is probably right is no finding of a visit.
	const anything = standingReadings(visit).size > 0 || visit.inverterSays.trim() !== '';
	const tells = aparts.some(
		({ told, chances }) => told && (anything || 1 - chances[0]! > DOUBTFUL)
	);
	if (traced.length === 0 && !tells) {
		const noCauses =
			siblingGroups.length === 0
				? 'No causes yet: enter irradiance and cell temperature first.'
				: 'No causes yet: nothing is read.';
		return { ...expectations, causes: [], noCauses, next: [], ruledOut: [], untested };
	}
	return {
		...expectations,
		causes: rankedCauses(record, visit, traced, aparts),
		noCauses: null,
		next: proposedTests(record, visit, traced, aparts),
		ruledOut: traced.flatMap(({ posterior }) =>
			posterior.strings
				.filter(({ classes }) => classes[0]!.probability < 1 - DOUBTFUL)
				.flatMap((string) => ruledOut({ record, posterior }, string))
		),
		untested
	};
}

/** Weighs every group of siblings in which anything was read. */
export function traceGroups(
	record: ArrayRecord,
	visit: Visit,
	groups: readonly SiblingGroup[]
): Traced[] {
	const standing = standingReadings(visit);
	const rates = ratesAfterMessage(record.rates, visit.inverterSays);
	const prepared = groups.flatMap((group) => {
		const inputs = inputVolts(group, standing);
		const cases = casesOf({
			record,
			group,
			standing,
			rates,
			inputs,
			takes: (key) => takesOf(visit, key)
		});
		if (cases.every(({ readings, located }) => readings.length === 0 && !located)) return [];
		const scopes = scopesOf({
			record,
			group,
			cases,
			standing,
			rates,
			inputs,
			acWatts: acWattsOf(record, standing)
		});
		return [{ group, cases, scopes, inputs }];
	});
	const cleaningGain = standing.get(placeKey({ kind: 'array' }, 'cleaning-gain'))?.value ?? null;
	const weigh = ({ group, cases, scopes }: (typeof prepared)[number], againstConditions: number) =>
		groupPosterior(group, cases, scopes, { cleaningGain, againstConditions });
	const alone = prepared.map((one) => weigh(one, 0));
	// Strings of another type stand in the same light: what they say of it counts here too.
	const said = alone.map(({ shared }) => speaksAgainstConditions(shared));
	return prepared.map((one, i): Traced => {
		const others = said.reduce((sum, say, other) => (other === i ? sum : sum + say), 0);
		const posterior = prepared.length === 1 ? alone[i]! : weigh(one, others);
		return { posterior, scopes: one.scopes, inputs: one.inputs };
	});
}

/** Tests of all groups, those at what strings share among them, the best first. */
function proposedTests(
	record: ArrayRecord,
	visit: Visit,
	traced: readonly Traced[],
	aparts: readonly ApartPosterior[]
): ProposedTest[] {
	const standing = standingReadings(visit);
	const ofGroups = traced.flatMap(({ posterior, scopes, inputs }) => {
		const atVolts = (id: string) => {
			const input = record.strings.find((string) => string.id === id)?.input ?? null;
			return input === null ? null : (inputs.get(input)?.best ?? null);
		};
		return [
			...nextTests({ record, posterior, standing, atVolts }),
			...scopeTests(record, posterior, scopes, standing),
			...sharedTests(record, posterior, standing)
		];
	});
	// What two of them propose at one place is one test.
	const tests = new Map<string, ProposedTest>();
	for (const test of [...ofGroups, ...apartTests(record, aparts)]) {
		const known = tests.get(test.key);
		if (!known || known.score < test.score) tests.set(test.key, test);
	}
	return [...tests.values()].sort((a, b) => b.score - a.score);
}

/** Chance that what was read to earth shows an earth fault at some string. */
function earthFound(traced: readonly Traced[]): number {
	const read = traced.flatMap(({ posterior }) =>
		posterior.strings.filter(
			({ case: { located } }) =>
				located !== null &&
				(located.earth !== null ||
					located.readings.some(({ quantity }) => quantity === 'insulation-resistance'))
		)
	);
	const none = read.reduce((product, { classes }) => {
		const chance = classes
			.filter(({ of }) => of.faults.some(({ fault }) => fault.code === 'earth-fault'))
			.reduce((sum, { probability }) => sum + probability, 0);
		return product * (1 - chance);
	}, 1);
	return 1 - none;
}

/** What one sound module gives at the light and heat of the visit; null where they are not known. */
function moduleNow(record: ArrayRecord, visit: Visit): { volts: number; watts: number } | null {
	const conditions = visit.conditions.at(-1);
	const [string] = record.strings;
	const type = record.moduleTypes.find(({ id }) => id === string?.moduleTypeId);
	if (!conditions || !type) return null;
	const module = moduleHere(
		agedModel(type, yearsInService(record, visit.startedAt)),
		conditions.irradiance.value,
		conditions.cellTemperature.value
	);
	const { volts, amps } = maximumPowerPoint(module);
	return { volts: openCircuitVoltage(module), watts: volts * amps };
}

function acWattsOf(record: ArrayRecord, standing: ReadonlyMap<string, Reading>): number | null {
	const inverters = partsOf(record.parts, 'inverter');
	if (inverters.length !== 1) return null;
	return standing.get(`${inverters[0]!.id}/display/ac-power`)?.value ?? null;
}

/** All lines, a fault before a reading that is to be taken again. */
function rankedCauses(
	record: ArrayRecord,
	visit: Visit,
	traced: readonly Traced[],
	aparts: readonly ApartPosterior[]
): Cause[] {
	const acWatts = acWattsOf(record, standingReadings(visit));
	const acRating = partsOf(record.parts, 'inverter')[0]?.specs.acWatts ?? null;
	const chance = traced.reduce(
		(product, { posterior }) => product * posterior.healthy,
		allSound(aparts)
	);
	const healthy = lineOf(
		[
			{
				code: 'healthy',
				place: {},
				probability: nothingToShow(chance),
				severity: '',
				size: null
			}
		],
		'',
		[]
	);
	const ofGroups = traced.flatMap(({ posterior, scopes, inputs }) => [
		...causesOf({ record, posterior, scopes }),
		...besideCauses({
			posterior,
			inputs,
			rates: record.rates,
			acWatts,
			acRating,
			runs: 1 - scopeChance(scopes, posterior, STANDS_STILL)
		}),
		...doubtfulVolts(record, posterior, scopes, inputs, standingReadings(visit))
	]);
	// What two types of module say of the one light is said once.
	const byId = new Map<string, Cause>();
	for (const line of [...ofGroups, ...apartCauses(record, aparts)]) {
		const known = byId.get(line.id);
		if (!known || known.probability < line.probability) byId.set(line.id, line);
	}
	const lines = [...byId.values()];
	// What is found beside sound strings, clipping say, is said before that they are sound.
	const found = Math.max(0, ...lines.map(({ faulty }) => faulty));
	const whole = { ...healthy, title: 'Nothing wrong that these readings can show', perhaps: null };
	return [...lines, whole].sort(
		(a, b) => order(b) * (b === whole ? 1 - found : 1) - order(a) * (a === whole ? 1 - found : 1)
	);
}

const STANDS_STILL: readonly Scope['code'][] = ['inverter-no-ac', 'rsd-no-signal'];

function scopeChance(
	scopes: readonly Scope[],
	posterior: GroupPosterior,
	codes: readonly Scope['code'][]
): number {
	return scopes.reduce(
		(sum, { code }, i) => (codes.includes(code) ? sum + posterior.scopes[i]! : sum),
		0
	);
}

/** A fault that is likely stands before every reading that is likely wrong. */
const order = ({ faulty, probability }: Cause) => faulty + 0.5 * Math.max(0, probability - faulty);

/** Volts of an input that no running input has, unless what its strings share explains them. */
function doubtfulVolts(
	record: ArrayRecord,
	posterior: GroupPosterior,
	scopes: readonly Scope[],
	inputs: ReadonlyMap<string, InputVolts>,
	standing: ReadonlyMap<string, Reading>
): Cause[] {
	return [...inputs].flatMap(([input, { believed, read, best }]) => {
		if (believed) return [];
		const explained = scopes.reduce(
			(sum, { strings }, i) =>
				strings.some((s) => posterior.strings[s]!.case.string.input === input)
					? sum + posterior.scopes[i]!
					: sum,
			0
		);
		const string = record.strings.find((one) => one.input === input);
		const reading = string && standing.get(`${string.id}/operating-current`);
		const line = lineOf(
			[
				{
					code: 'reading-wrong',
					place: { input, ...(reading && { reading: reading.id }) },
					probability: Math.max(0, 1 - explained),
					severity: '',
					size: null
				}
			],
			`volts of input ${input}`,
			[
				{
					readingId: reading?.id ?? null,
					weighs: 'for',
					words: `Input ${input}: ${read.toFixed(1)} V read while it ran; its strings run near ${best.toFixed(0)} V. Their currents are judged at that.`
				}
			]
		);
		return line.probability > 0.02 ? [line] : [];
	});
}
