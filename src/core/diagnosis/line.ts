import { inSentence } from '../units';
import type { Cause, CauseMember, CausePlace, Reason } from './cause';
import { causeWords, knownWords, lookAlikes } from './words';

/** From here on a line is named by its cause; below it by what is known. */
const NAMED = 0.9;
/** A member with less of its line than this is not worth naming. */
const WORTH_NAMING = 0.02;

/** A member before it is put in words. */
export type BareMember = Omit<CauseMember, 'words'>;

/**
 * One line of the answer out of its members.
 *
 * @param place where it is, in words, for a reading that is to be taken again
 */
export function lineOf(
	members: readonly BareMember[],
	place: string,
	reasons: readonly Reason[]
): Cause {
	const probability = Math.min(
		1,
		members.reduce((sum, member) => sum + member.probability, 0)
	);
	const worth = members.filter((member) => member.probability >= WORTH_NAMING * probability);
	const sorted = [...(worth.length > 0 ? worth : members)]
		.sort((a, b) => b.probability - a.probability)
		.map((member) => ({ ...member, words: memberWords(member, worth.length > 1) })) as [
		CauseMember,
		...CauseMember[]
	];
	const codes = sorted.map(({ code }) => code);
	const { place: at } = sorted[0];
	const mistaken = members
		.filter(({ code }) => code === 'reading-wrong')
		.reduce((sum, member) => sum + member.probability, 0);
	return {
		id: [key(at), ...codes, at.reading ?? ''].filter(Boolean).join('/'),
		members: sorted,
		probability,
		faulty: probability - mistaken,
		stringId: at.string ?? null,
		...wordsOf(sorted, place, probability),
		where: whereWords(sorted),
		reasons,
		borneOut: true,
		lookAlikes: lookAlikes(codes)
	};
}

function key({ string, strings, input, part, inverter, site }: CausePlace): string {
	return (
		string ??
		strings?.join('+') ??
		input ??
		(inverter ? 'inverter' : site ? 'site' : null) ??
		part ??
		'visit'
	);
}

/** Where all members that are placed agree on, in words. */
function whereWords(members: readonly CauseMember[]): string | null {
	const words = [...new Set(members.flatMap(({ place }) => place.within?.words ?? []))];
	return words.length > 0 ? words.join(', or ') : null;
}

function wordsOf(
	members: readonly [CauseMember, ...CauseMember[]],
	place: string,
	probability: number
): Pick<Cause, 'title' | 'perhaps'> {
	const [first] = members;
	const listed = listMembers(members);
	if (first.code === 'reading-wrong') return { title: `${listed}: ${place}`, perhaps: null };
	const known = knownWords(first.code);
	// Several causes of low current are never named as if they were one.
	const named =
		first.place.string === undefined ||
		(probability >= NAMED && (known !== 'Low current' || first.probability >= NAMED * probability));
	return named
		? { title: listed, perhaps: null }
		: { title: `${known}, cause not determined`, perhaps: `Perhaps ${inSentence(listed)}.` };
}

/** "This, or that (one substring)": a size that all members share is said once. */
function listMembers(members: readonly CauseMember[]): string {
	const [first] = members;
	const size = first?.severity ?? '';
	const shared = members.length > 1 && size !== '' && members.every((m) => m.severity === size);
	const listed = members
		.map(({ words }) => (shared ? words.replace(` (${size})`, '') : words))
		.map((words, i) => (i === 0 ? words : inSentence(words)))
		.join(', or ');
	return shared ? `${listed} (${size})` : listed;
}

function memberWords({ code, severity, place }: BareMember, among: boolean): string {
	if (code === 'soiling' && place.string === undefined) return 'Soiling on all strings';
	// Beside other causes of no current the wrong reading can only be the clamp's.
	if (code === 'reading-wrong' && among) return 'The clamp showed 0 by mistake';
	return severity ? `${causeWords(code)} (${severity})` : causeWords(code);
}
