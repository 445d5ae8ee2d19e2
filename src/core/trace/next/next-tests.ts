import { placeKey } from '../../expectation/place';
import { placeWords } from '../../expectation/place-words';
import { QUANTITY_FACTS, isStringQuantity } from '../../expectation/quantity';
import type { Reading } from '../../expectation/visit';
import { coldCeiling, cautionsFor, opensSomething, MAKE_SAFE_FIRST } from '../../rules/cautions';
import type { ArrayRecord } from '../../record/record';
import type { Foretold } from '../evidence';
import { foretellAt } from '../foretell-at';
import type { GroupPosterior, StringPosterior } from '../posterior';
import { predictUnder, spreadOf } from '../string-table';
import { causeWords, lowerFirst } from '../words';
import { runsInWords } from '../within';
import { modulesAt } from '../suspect';
import { candidatesAt, type Candidate } from './candidates';
import { entropy, informationOf, outcomesOf, type Outcome } from './information';
import { possibleAt, type Possible } from './possible';
import type { ProposedTest, TestOutcome } from './proposed-test';
import { AT_REVERSED, DANGER, testFactsOf } from './test-facts';

/** Strings about which less than this is open are not asked, bit. */
const OPEN_FROM = 0.12;
/** At most so many strings are asked at once, those with most open first. */
const STRINGS_ASKED = 4;
/** A test that tells less than this is not proposed, bit. */
const WORTH_TAKING = 0.01;
/** So many are kept of each string. */
const KEPT = 8;

/** What proposing asks of a group. */
export interface NextBasis {
	readonly record: ArrayRecord;
	readonly posterior: GroupPosterior;
	readonly standing: ReadonlyMap<string, Reading>;
	/** Volts at which a string's running current would be read, by string. */
	readonly atVolts: (stringId: string) => number | null;
}

/**
 * The tests that tell most for their minutes and their danger, over every place of the strings that
 * are in doubt, the best first. Halving an open string, walking a dark chain, taking a doubtful figure
 * again: all come out of the same rule.
 */
export function nextTests(basis: NextBasis): ProposedTest[] {
	const asked = basis.posterior.strings
		.map((string) => {
			const possible = possibleAt(string);
			return { string, possible, open: openAbout(string, possible) };
		})
		.filter(({ open }) => open > OPEN_FROM)
		.sort((a, b) => b.open - a.open)
		.slice(0, STRINGS_ASKED);
	return asked
		.flatMap(({ string, possible }) => testsOf(basis, string, possible).slice(0, KEPT))
		.sort((a, b) => b.score - a.score);
}

/** Bits that are open about a string, its wrong readings among them. */
function openAbout(string: StringPosterior, possible: readonly Possible[]): number {
	const doubts = [...string.wrongReading.values()].reduce(
		(sum, chance) => sum + entropy([chance, 1 - chance]),
		0
	);
	const sound = possible[0]!.probability;
	// A sound string has many places where it could have something else: those are not asked about.
	return Math.max(doubts, sound > 0.9 ? 0 : entropy(possible.map((one) => one.probability)));
}

function testsOf(
	basis: NextBasis,
	string: StringPosterior,
	possible: readonly Possible[]
): ProposedTest[] {
	const { record, standing } = basis;
	const { case: one } = string;
	const inPlay = new Set(
		possible.filter(({ probability }) => probability > 0).map(({ code }) => code as string)
	);
	const build = { string: one.string, type: one.type };
	const found: ProposedTest[] = [];
	for (const candidate of candidatesAt(record, build, inPlay)) {
		const key = placeKey(candidate.place, candidate.quantity);
		const before = standing.get(key);
		const test = before
			? retake(basis, string, candidate, before)
			: measured(basis, string, possible, candidate);
		if (test) found.push(test);
	}
	return variedOf(found.sort((a, b) => b.score - a.score));
}

/** So many of one kind are kept: the third stretch of a string tells nobody more than the first two. */
const OF_ONE_KIND = 2;

function variedOf(tests: readonly ProposedTest[]): ProposedTest[] {
	const kept = new Map<string, number>();
	return tests.filter(({ quantity, place }) => {
		const kind = `${quantity}/${place.kind}`;
		const count = (kept.get(kind) ?? 0) + 1;
		kept.set(kind, count);
		return count <= OF_ONE_KIND;
	});
}

/** A figure that is wrong by some chance: taken again it shows whether it was. */
function retake(
	basis: NextBasis,
	string: StringPosterior,
	candidate: Candidate,
	before: Reading
): ProposedTest | null {
	const wrong = string.wrongReading.get(before.id) ?? 0;
	const information = entropy([wrong, 1 - wrong]);
	if (information < 4 * WORTH_TAKING) return null;
	const { unit } = QUANTITY_FACTS[candidate.quantity];
	return proposed(basis, string, candidate, information, true, [
		{
			words: 'The first figure was wrong and is replaced',
			probability: wrong,
			low: null,
			high: null,
			leaves: []
		},
		{
			words: `As before, near ${before.value} ${unit}: the fault is in the array`,
			probability: 1 - wrong,
			low: before.value,
			high: before.value,
			leaves: []
		}
	]);
}

function measured(
	basis: NextBasis,
	string: StringPosterior,
	possible: readonly Possible[],
	candidate: Candidate
): ProposedTest | null {
	const foretold = possible.map((one) => foretell(basis, string, candidate, one));
	if (foretold.every((one) => one === null)) return null;
	const weighed = possible.map(({ probability }, i) => ({
		weight: foretold[i]?.value == null ? 0 : probability,
		value: foretold[i]?.value ?? 0,
		sigma: foretold[i]?.sigma ?? 1
	}));
	const outcomes = outcomesOf(weighed);
	const information = informationOf(outcomes);
	if (information < WORTH_TAKING) return null;
	return proposed(
		basis,
		string,
		candidate,
		information,
		false,
		outcomes.map((outcome) => inWords(string, possible, candidate, outcome))
	);
}

function foretell(
	{ posterior, atVolts }: NextBasis,
	{ case: { string, here } }: StringPosterior,
	{ place, quantity, state }: Candidate,
	{ of, suspect }: Possible
): Foretold | null {
	if (place.kind !== 'string' || !isStringQuantity(quantity)) {
		return foretellAt({ place, quantity, state }, suspect, here);
	}
	const { group, best } = posterior;
	const volts = quantity === 'operating-current' ? atVolts(string.id) : null;
	if (quantity === 'operating-current' && volts === null) return null;
	const prediction = predictUnder(of, group, string, quantity, volts, best);
	return (
		prediction && {
			value: prediction.value,
			sigma: spreadOf(group, string, quantity, volts, prediction),
			scale: 1
		}
	);
}

const OHMS_ON_LOG = [
	'fuse-resistance',
	'pole-resistance',
	'joint-resistance',
	'insulation-resistance'
];

/** What an outcome leaves, in words, with the figures it stands for. */
function inWords(
	{ case: { string, type } }: StringPosterior,
	possible: readonly Possible[],
	{ quantity }: Candidate,
	{ probability, low, high, of }: Outcome
): TestOutcome {
	const byCode = new Map<string, { weight: number; modules: Set<number>; all: boolean }>();
	for (const index of of) {
		const { code, suspect, probability: weight } = possible[index]!;
		const entry = byCode.get(code) ?? { weight: 0, modules: new Set<number>(), all: false };
		entry.weight += weight;
		if (suspect && suspect.fault.spread !== 'string' && suspect.fault.spread !== 'pole') {
			if (suspect.fault.spread === 'joint') entry.modules.add(Math.max(1, suspect.at));
			else {
				const [first, count] = modulesAt(suspect.fault.spread, suspect.at, { string, type });
				for (let m = first; m < first + count; m++) entry.modules.add(m + 1);
			}
		}
		byCode.set(code, entry);
	}
	const leaves = [...byCode]
		.filter(([, { weight }]) => weight > 0.02 * probability)
		.sort((a, b) => b[1].weight - a[1].weight);
	const words = leaves.slice(0, 3).map(([code, { modules }]) => {
		const where =
			modules.size > 0 && modules.size < string.moduleCount
				? ` at ${runsInWords([...modules].sort((a, b) => a - b))}`
				: '';
		const name =
			code === 'healthy'
				? 'this string is whole'
				: lowerFirst(causeWords(code as Possible['code']));
		return `${name}${where}`;
	});
	const onLog = OHMS_ON_LOG.includes(quantity);
	return {
		words: words.join(', or ') + (leaves.length > 3 ? ', or another' : ''),
		probability,
		low: onLog ? 10 ** low : low,
		high: onLog ? 10 ** high : high,
		leaves: leaves.map(([code]) => code as Possible['code'])
	};
}

/** A chance of reversed leads from which they are feared. */
const FEARED = 0.05;

/** Whether a string reads backwards or may be reversed: whoever is right, it is treated as reversed. */
function mayBeReversed({ case: one, classes }: StringPosterior): boolean {
	const backwards = one.readings.some(
		({ item }) => item.reading.quantity === 'open-circuit-voltage' && item.measured < 0
	);
	const chance = classes
		.filter(({ of }) => of.faults.some(({ fault }) => fault.code === 'connector-reversed'))
		.reduce((sum, { probability }) => sum + probability, 0);
	return backwards || chance > FEARED;
}

function proposed(
	{ record }: NextBasis,
	posterior: StringPosterior,
	candidate: Candidate,
	information: number,
	again: boolean,
	outcomes: readonly TestOutcome[]
): ProposedTest | null {
	const { string, type } = posterior.case;
	const facts = testFactsOf(candidate.quantity, candidate.place);
	if (!facts) return null;
	const { exposure, minutes, how, cautions = [] } = facts;
	const place = placeWords(record, candidate.place);
	const title = facts.title.replace('{place}', place);
	return {
		key: placeKey(candidate.place, candidate.quantity),
		...candidate,
		stringId: string.id,
		again,
		title: again ? `Again: ${lowerFirst(title)}` : title,
		how,
		meter: QUANTITY_FACTS[candidate.quantity].meter,
		exposure,
		minutes,
		information,
		score: information / (minutes * DANGER[exposure]),
		outcomes: [...outcomes].sort((a, b) => b.probability - a.probability),
		makeSafeFirst: opensSomething(exposure) ? MAKE_SAFE_FIRST : null,
		cautions: [
			...new Set([
				...(mayBeReversed(posterior) ? AT_REVERSED : []),
				...cautions,
				...cautionsFor(exposure, coldCeiling(type.plate.voc, string.moduleCount))
			])
		]
	};
}
