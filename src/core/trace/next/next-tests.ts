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
import { AT_REVERSED, DANGER, testFactsOf, type TestFacts } from './test-facts';

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
		.flatMap(({ string, possible }) => testsOf(basis, string, possible))
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

/** Codes with less chance at a string are not looked for place by place. */
const IN_PLAY = 0.01;

function chanceByCode(possible: readonly Possible[]): Map<string, number> {
	const chances = new Map<string, number>();
	for (const { code, probability } of possible) {
		chances.set(code, (chances.get(code) ?? 0) + probability);
	}
	return chances;
}

function testsOf(
	basis: NextBasis,
	string: StringPosterior,
	possible: readonly Possible[]
): ProposedTest[] {
	const { record, standing } = basis;
	const { case: one } = string;
	const inPlay = new Set(
		[...chanceByCode(possible)].filter(([, chance]) => chance > IN_PLAY).map(([code]) => code)
	);
	const build = { string: one.string, type: one.type };
	const drafts: Draft[] = [];
	for (const candidate of candidatesAt(record, build, inPlay)) {
		const facts = testFactsOf(candidate.quantity, candidate.place);
		if (!facts) continue;
		const before = standing.get(placeKey(candidate.place, candidate.quantity));
		const draft = before
			? retake(string, candidate, before)
			: measured(basis, string, possible, candidate);
		if (!draft) continue;
		const score = draft.information / (facts.minutes * DANGER[facts.exposure]);
		drafts.push({ ...draft, candidate, facts, score });
	}
	// Only what is kept is put in words.
	return variedOf(drafts.sort((a, b) => b.score - a.score))
		.slice(0, KEPT)
		.map((draft) => proposed(basis, string, draft));
}

/** A test before it is put in words. */
interface Draft extends Telling {
	readonly candidate: Candidate;
	readonly facts: TestFacts;
	readonly score: number;
}

/** What a test is expected to tell, and its outcomes when they are asked for. */
interface Telling {
	readonly information: number;
	readonly again: boolean;
	readonly outcomes: () => readonly TestOutcome[];
}

/** So many of one kind are kept: the third stretch of a string tells nobody more than the first two. */
const OF_ONE_KIND = 2;

function variedOf(drafts: readonly Draft[]): Draft[] {
	const kept = new Map<string, number>();
	return drafts.filter(({ candidate: { quantity, place } }) => {
		const kind = `${quantity}/${place.kind}`;
		const count = (kept.get(kind) ?? 0) + 1;
		kept.set(kind, count);
		return count <= OF_ONE_KIND;
	});
}

/** A figure that is wrong by some chance: taken again it shows whether it was. */
function retake(string: StringPosterior, candidate: Candidate, before: Reading): Telling | null {
	const wrong = string.wrongReading.get(before.id) ?? 0;
	const information = entropy([wrong, 1 - wrong]);
	if (information < 4 * WORTH_TAKING) return null;
	const { unit } = QUANTITY_FACTS[candidate.quantity];
	const outcomes = [
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
	];
	return { information, again: true, outcomes: () => outcomes };
}

function measured(
	basis: NextBasis,
	string: StringPosterior,
	possible: readonly Possible[],
	candidate: Candidate
): Telling | null {
	const alike = new Map<number, { value: number; sigma: number; weight: number; of: number[] }>();
	const foretell = foretellerOf(basis, string, candidate);
	for (let index = 0; index < possible.length; index++) {
		const one = possible[index]!;
		const foretold = foretell(one);
		if (!foretold || foretold.value === null) continue;
		const { value, sigma } = foretold;
		const key = Math.round(value * 1e4) + sigma;
		const known = alike.get(key);
		if (known) {
			known.weight += one.probability;
			known.of.push(index);
		} else alike.set(key, { value, sigma, weight: one.probability, of: [index] });
	}
	// Most of what may be so shows the same at one place; it is one possibility there.
	const distinct = [...alike.values()];
	if (distinct.length < 2) return null;
	const outcomes = outcomesOf(distinct);
	const information = informationOf(outcomes);
	if (information < WORTH_TAKING) return null;
	return {
		information,
		again: false,
		outcomes: () =>
			outcomes.map((outcome) => {
				const of = outcome.of.flatMap((index) => distinct[index]!.of);
				return inWords(string, possible, candidate, { ...outcome, of });
			})
	};
}

/** Foretells one reading; of a whole string each class is solved once. */
function foretellerOf(
	{ posterior, atVolts }: NextBasis,
	{ case: { string, here } }: StringPosterior,
	{ place, quantity, state }: Candidate
): (one: Possible) => Foretold | null {
	if (place.kind !== 'string' || !isStringQuantity(quantity)) {
		return ({ suspect }) => foretellAt({ place, quantity, state }, suspect, here);
	}
	const { group, best } = posterior;
	const volts = quantity === 'operating-current' ? atVolts(string.id) : null;
	if (quantity === 'operating-current' && volts === null) return () => null;
	const known = new Map<number, Foretold | null>();
	return ({ of, index }) => {
		const solved = known.get(index);
		if (solved !== undefined) return solved;
		const prediction = predictUnder(of, group, string, quantity, volts, best);
		const foretold = prediction && {
			value: prediction.value,
			sigma: spreadOf(group, string, quantity, volts, prediction),
			scale: 1
		};
		known.set(index, foretold);
		return foretold;
	};
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
	{ candidate, facts, information, score, again, outcomes }: Draft
): ProposedTest {
	const { string, type } = posterior.case;
	const { exposure, minutes, how, cautions = [] } = facts;
	const title = facts.title.replace('{place}', placeWords(record, candidate.place));
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
		score,
		outcomes: [...outcomes()].sort((a, b) => b.probability - a.probability),
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
