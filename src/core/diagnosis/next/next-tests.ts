import { inSentence } from '../../units';
import { placeKey, placeWords, QUANTITY_FACTS } from '../../visit';
import { cautionsFor, coldCeiling, opensSomething } from '../../isolation';
import type { StringPosterior } from '../posterior';
import { candidatesAt, type Candidate } from './candidates';
import { entropy } from './information';
import { possibleAt, type Possible } from './possible';
import type { ProposedTest } from './proposed-test';
import { measured, repeatMeasurement, type NextBasis, type TestInformation } from './telling';
import { AT_REVERSED, DANGER, testFactsOf, type TestFacts } from './test-facts';

/** Strings about which less than this is open are not asked, bit. */
const OPEN_FROM = 0.12;
/** At most so many strings are asked at once, those with most open first. */
const STRINGS_ASKED = 4;
/** So many are kept of each string. */
const KEPT = 8;

/**
 * The tests that tell most for their minutes and their danger, over every place of the strings that
 * are uncertain, the best first. Halving an open string, walking a dark chain, repeating an uncertain figure
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
	const questions = [...string.wrongReading.values()].reduce(
		(sum, chance) => sum + entropy([chance, 1 - chance]),
		0
	);
	const sound = possible[0]!.probability;
	// A sound string has many places where it could have something else: those are not asked about.
	return Math.max(questions, sound > 0.9 ? 0 : entropy(possible.map((one) => one.probability)));
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
			? repeatMeasurement(string, candidate, before)
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
interface Draft extends TestInformation {
	readonly candidate: Candidate;
	readonly facts: TestFacts;
	readonly score: number;
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
		title: again ? `Again: ${inSentence(title)}` : title,
		how,
		meter: QUANTITY_FACTS[candidate.quantity].meter,
		exposure,
		minutes,
		information,
		score,
		outcomes: [...outcomes()].sort((a, b) => b.probability - a.probability),
		isolateFirst: opensSomething(exposure),
		cautions: [
			...new Set([
				...(mayBeReversed(posterior) ? AT_REVERSED : []),
				...cautions,
				...cautionsFor(exposure, coldCeiling(type.plate.voc, string.moduleCount))
			])
		]
	};
}
