import type { ArrayRecord } from '../record';
import { agedModel, moduleAtConditions, withoutAboveMeter, yearsInService } from '../expectation';
import {
	effectiveVisit,
	type EffectiveVisit,
	findCurrentReadings,
	measurementsOf,
	type Visit
} from '../visit';
import {
	judgeByLimits,
	judgeByModel,
	type LimitVerdict,
	type ModelJudgement,
	plainRule,
	type PlainRule
} from '../assessment';
import { maximumPowerPoint, openCircuitVoltage } from '../module';
import type { EquipmentPosterior } from './equipment/equipment-case';
import { weighEquipment } from './equipment/sources';
import { calibratedLines } from './calibration';
import type { Cause, RuledOut } from './cause';
import { inOrder } from './order';
import { ruledOut } from './rank';
import { remarkOfWithheld, remarksOn, type Remark } from './remarks';
import { heldShort, unexplainedReadings, type Unexplained } from './unexplained';
import { equipmentTests } from './next/equipment-tests';
import { nextTests } from './next/next-tests';
import type { ProposedTest } from './next/proposed-test';
import { scopeTests } from './next/scope-tests';
import { sharedTests } from './next/shared-tests';
import { Contraindications, type WithheldTest } from '../visit-plan';
import type { InspectionEntry } from '../inspection';
import { untestedWords } from './untested';
import { rankedCauses } from './ranked-causes';
import { traceGroups, type Traced } from './trace-groups';

/** What is said of every reading by itself: expected values and verdicts. */
export interface Judgement extends Omit<ModelJudgement, 'peerGroups'> {
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
	/** Readings that nothing found accounts for. */
	readonly unexplained: readonly Unexplained[];
	/** What is to be said plainly of the answer as a whole. */
	readonly remarks: readonly Remark[];
}

/** A string with less chance of a fault than this needs no list of what it cannot be. */
const UNCERTAIN = 0.15;

/**
 * The first part of {@link assess}, which is there many times sooner: the verdicts, so that a figure is
 * judged before the next is typed.
 */
export function judge(record: ArrayRecord, entered: Visit): Judgement {
	return judged(record, effectiveVisit(record, entered)).judgement;
}

function judged(record: ArrayRecord, visit: EffectiveVisit) {
	const model = judgeByModel(record, withoutAboveMeter(visit));
	const { peerGroups, ...rest } = model;
	const judgement: Judgement = {
		...rest,
		limits: judgeByLimits(record, visit, model),
		plain: Object.fromEntries(plainRule(record, findCurrentReadings(visit)))
	};
	return { judgement, peerGroups };
}

/**
 * The one assessment: browser, server and command line call this and nothing else.
 *
 * @param record the array as recorded, in the revision the visit points at
 * @param entered conditions, meters, readings and repairs as entered; what was read before a repair of
 * its place is left out
 * @param inspection answers of the visit's inspection: defects that forbid a test
 */
export function assess(
	record: ArrayRecord,
	entered: Visit,
	inspection: readonly InspectionEntry[] = []
): Assessment {
	const current = effectiveVisit(record, entered);
	const { judgement, peerGroups } = judged(record, current);
	const visit = withoutAboveMeter(current);
	const untested = untestedWords(record, visit);
	const traced = traceGroups(record, visit, peerGroups);
	const equipmentCases = weighEquipment({
		record,
		standing: findCurrentReadings(visit),
		takes: (key) => measurementsOf(visit, key),
		rates: record.rates,
		says: visit.inverterSays,
		earthFound: earthFound(traced),
		module: moduleNow(record, visit)
	});
	// The record alone may say that a part suits badly. That one is probably right is no finding of a visit.
	const anything = findCurrentReadings(visit).size > 0 || visit.inverterSays.trim() !== '';
	const tells = equipmentCases.some(
		({ told, chances }) => told && (anything || 1 - chances[0]! > UNCERTAIN)
	);
	if (traced.length === 0 && !tells) {
		const noCauses =
			peerGroups.length === 0
				? 'No causes yet: enter irradiance and cell temperature first.'
				: 'No causes yet: nothing is read.';
		return {
			...judgement,
			causes: [],
			noCauses,
			next: [],
			ruledOut: [],
			untested,
			unexplained: [],
			remarks: []
		};
	}
	const unexplained = unexplainedReadings(traced);
	const causes = inOrder(
		calibratedLines(
			heldShort(
				rankedCauses(record, visit, traced, equipmentCases),
				unexplained,
				stringsCovered(record)
			)
		)
	);
	const { proposed: next, withheld } = allowedTests(
		proposedTests(record, visit, traced, equipmentCases),
		new Contraindications(record, inspection, findCurrentReadings(visit))
	);
	return {
		...judgement,
		causes,
		noCauses: null,
		next,
		unexplained,
		remarks: [...remarksOn(causes, next), ...withheld.map(remarkOfWithheld)],
		ruledOut: traced.flatMap(({ posterior }) =>
			posterior.strings
				.filter(({ classes }) => classes[0]!.probability < 1 - UNCERTAIN)
				.flatMap((string) => ruledOut({ record, posterior }, string))
		),
		untested
	};
}

/** Strings that a cause is about: its own, or all that share its part. */
const stringsCovered =
	({ strings }: ArrayRecord) =>
	({ members: [{ place }] }: Cause): readonly string[] => {
		if (place.string !== undefined) return [place.string];
		if (place.strings) return place.strings;
		if (place.input !== undefined) {
			return strings.filter(({ input }) => input === place.input).map(({ id }) => id);
		}
		return place.inverter || place.site ? strings.map(({ id }) => id) : [];
	};

/** Tests that nothing forbids, and what is withheld: each kind of test once, for its first reason. */
function allowedTests(tests: readonly ProposedTest[], contraindications: Contraindications) {
	const withheld = new Map<string, WithheldTest>();
	const proposed = tests.filter(({ quantity, place }) => {
		const against = contraindications.against(quantity, place);
		// Whatever a connector is opened for, the reason is one.
		const kind =
			against?.because === 'insulation-first'
				? `${against.because}/${JSON.stringify(against.finding)}`
				: `${quantity}/${against?.because}`;
		if (against && !withheld.has(kind)) withheld.set(kind, against);
		return against === null;
	});
	return { proposed, withheld: [...withheld.values()] };
}

/** Tests of all groups, those at what strings share among them, the best first. */
function proposedTests(
	record: ArrayRecord,
	visit: EffectiveVisit,
	traced: readonly Traced[],
	equipmentCases: readonly EquipmentPosterior[]
): ProposedTest[] {
	const standing = findCurrentReadings(visit);
	const ofGroups = traced.flatMap(({ posterior, scopes, inputs }) => {
		const atVoltage = (id: string) => {
			const input = record.strings.find((string) => string.id === id)?.input ?? null;
			return input === null ? null : (inputs.get(input)?.best ?? null);
		};
		return [
			...nextTests({ record, posterior, standing, atVoltage }),
			...scopeTests(record, posterior, scopes, standing),
			...sharedTests(record, posterior, standing)
		];
	});
	// What two of them propose at one place is one test.
	const tests = new Map<string, ProposedTest>();
	for (const test of [...ofGroups, ...equipmentTests(record, equipmentCases)]) {
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
function moduleNow(
	record: ArrayRecord,
	visit: EffectiveVisit
): { voltage: number; power: number } | null {
	const conditions = visit.conditions.at(-1);
	const [string] = record.strings;
	const type = record.moduleTypes.find(({ id }) => id === string?.moduleTypeId);
	if (!conditions || !type) return null;
	const module = moduleAtConditions(
		agedModel(type, yearsInService(record, visit.startedAt)),
		conditions.irradiance.value,
		conditions.cellTemperature.value
	);
	const { volts: voltage, amps: current } = maximumPowerPoint(module);
	return { voltage: openCircuitVoltage(module), power: voltage * current };
}
