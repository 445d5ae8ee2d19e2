import type { ArrayRecord, StringRecord } from '../../record/record';
import { CURRENT as IEC, GPV } from '../profiles/iec';
import { CURRENT as US } from '../profiles/us';
import { highestIsc, marksOf, parallelStrings } from '../string-groups';
import { amount, PLACES, waitsFor, type Check } from './check';

const TITLE = 'String fuse: needed, and its size';

/** Standard ratings, A (NEC 240.6(A) and the gPV series in common use; from memory). */
const SIZES = [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 16, 20, 25, 30, 32, 35, 40, 45, 50, 60];

/** For each input: whether its parallel strings need fuses, and whether those that stand there fit. */
export function fuseChecks(record: ArrayRecord): Check[] {
	return parallelStrings(record).map((strings) => fuseCheck(record, strings));
}

function fuseCheck(record: ArrayRecord, strings: readonly StringRecord[]): Check {
	const { profile, alwaysFuse } = record.rules;
	const us = profile === 'US';
	const base = {
		key: `fuse/${strings[0]!.id}`,
		title: TITLE,
		about: marksOf(strings),
		clause: us ? US.fuseNeeded.clause : IEC.fuseNeeded.clause
	};
	const currents = strings.map((string) => highestIsc(string, record.moduleTypes));
	const isc = Math.max(...currents.map((amps) => amps ?? Number.NaN));
	const moduleFuse = lowestSeriesFuse(record, strings);
	if (!Number.isFinite(isc)) return waitsFor(base, ['the module’s label'], PLACES.strings);
	const others = us ? (strings.length - 1) * US.maximum.factor * isc : (strings.length - 1) * isc;
	const inputs: Check['inputs'] = [
		['strings in parallel', String(strings.length)],
		['label Isc', amount(isc, 'A')],
		['module’s maximum series fuse', moduleFuse === null ? 'unknown' : amount(moduleFuse, 'A')]
	];
	if (strings.length > 1 && moduleFuse === null) {
		const type = record.moduleTypes.find(({ id }) => id === strings[0]!.moduleTypeId)!;
		const at = { kind: 'module-type', id: type.id } as const;
		return waitsFor(base, ['the module’s maximum series fuse'], at);
	}
	const needed = strings.length > 1 && others > moduleFuse!;
	const asked = needed || (alwaysFuse && strings.length > 1);
	const formula = `(${strings.length} - 1) x ${us ? '1.25 x ' : ''}Isc = ${amount(others, 'A')} from the others, against the module’s series fuse`;
	const at = PLACES.strings;
	const answer = (outcome: Check['outcome'], words: string): Check => ({
		...base,
		outcome,
		words,
		inputs,
		formula,
		at
	});
	const unseen = strings.filter(({ fuse }) => fuse === 'unknown');
	if (unseen.length > 0) {
		return waitsFor(
			base,
			[`whether ${marksOf(unseen)} ${unseen.length === 1 ? 'has' : 'have'} a fuse`],
			at
		);
	}
	const bare = strings.filter(({ fuse }) => fuse === null);
	if (asked && bare.length > 0) {
		const why = needed
			? `The others together can feed ${amount(others, 'A')} into a fault; the module bears ${amount(moduleFuse!, 'A')}`
			: 'The house rule asks for a fuse in every parallel string';
		return answer(
			'finding',
			`${why}. ${marksOf(bare)} ${bare.length === 1 ? 'has' : 'have'} none.`
		);
	}
	const ratings = strings.flatMap(({ label, fuse }) =>
		fuse === null || fuse === 'unknown' ? [] : [{ label, rating: fuse.rating }]
	);
	const said = asked
		? needed
			? 'Fuses are needed'
			: 'Fuses stand here by the house rule'
		: 'No fuse is needed by the rule';
	if (ratings.length === 0) return answer('fits', `${said}, and none is there.`);
	if (ratings.some(({ rating }) => rating === null)) {
		return waitsFor(base, ['the rating of the fuse'], at);
	}
	const { low, high, sizeClause } = sizes(us, isc, moduleFuse);
	const wrong = ratings.filter(({ rating }) => rating! < low || rating! > high);
	const range = `${amount(low, 'A')} to ${amount(high, 'A')} (${sizeClause})`;
	if (wrong.length > 0) {
		return answer('finding', `${said}, of ${range}. ${ratingWords(wrong)}.`);
	}
	return answer(
		'fits',
		`${said}; ${ratings[0]!.rating} A lies within ${range}. ${openingWords(us, others, ratings[0]!.rating!)}`
	);
}

/** "A1, A2 and 2 more have 15 A", for each rating. */
function ratingWords(fuses: readonly { readonly label: string; readonly rating: number | null }[]) {
	const ratings = [...new Set(fuses.map(({ rating }) => rating))];
	return ratings
		.map((rating) => {
			const alike = fuses.filter((fuse) => fuse.rating === rating);
			return `${marksOf(alike)} ${alike.length === 1 ? 'has' : 'have'} ${rating} A`;
		})
		.join(', ');
}

/** Whether the neighbours would surely open the fuse of a shorted string: between holding and opening it is not certain. */
function openingWords(us: boolean, others: number, rating: number): string {
	const opens = us ? 1.35 : GPV.opens;
	const sure = others > opens * rating;
	return sure
		? `In full sun its neighbours exceed ${opens} times that, so it opens on a short.`
		: `Its neighbours stay below ${opens} times that: on a short it may never open.`;
}

function sizes(us: boolean, isc: number, moduleFuse: number | null) {
	if (us) {
		const least = US.fuse.factor * isc;
		const low = SIZES.find((size) => size >= least) ?? least;
		return { low, high: moduleFuse ?? Infinity, sizeClause: US.fuse.clause };
	}
	return {
		low: IEC.fuse.low * isc,
		high: Math.min(IEC.fuse.high * isc, moduleFuse ?? Infinity),
		sizeClause: IEC.fuse.clause
	};
}

function lowestSeriesFuse(record: ArrayRecord, strings: readonly StringRecord[]): number | null {
	const ids = new Set(
		strings.flatMap((string) => [
			string.moduleTypeId,
			...string.modules.flatMap(({ moduleTypeId }) => moduleTypeId ?? [])
		])
	);
	const limits = record.moduleTypes
		.filter(({ id }) => ids.has(id))
		.map(({ limits: { seriesFuse } }) => seriesFuse);
	return limits.length === 0 || limits.includes(null)
		? null
		: Math.min(...limits.filter((amps) => amps !== null));
}
