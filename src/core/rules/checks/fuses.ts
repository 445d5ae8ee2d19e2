import type { ArrayRecord, StringRecord } from '../../record/record';
import { openingWords, stringFuseRule } from '../string-fuse';
import { highestIsc, marksOf, parallelStrings } from '../string-groups';
import { amount, PLACES, waitsFor, type Check } from './check';

const TITLE = 'String fuse: needed, and its size';

/** For each input: whether its parallel strings need fuses, and whether those that stand there fit. */
export function fuseChecks(record: ArrayRecord): Check[] {
	return parallelStrings(record).map((strings) => fuseCheck(record, strings));
}

function fuseCheck(record: ArrayRecord, strings: readonly StringRecord[]): Check {
	const currents = strings.map((string) => highestIsc(string, record.moduleTypes));
	const isc = Math.max(...currents.map((amps) => amps ?? Number.NaN));
	const moduleFuse = lowestSeriesFuse(record, strings);
	const rule = stringFuseRule({ count: strings.length, isc, moduleFuse }, record.rules);
	const { others, asked, formula, low, high, sizeClause } = rule;
	const base = {
		key: `fuse/${strings[0]!.id}`,
		title: TITLE,
		about: marksOf(strings),
		clause: rule.clause
	};
	if (!Number.isFinite(isc)) return waitsFor(base, ['the module’s label'], PLACES.strings);
	const inputs: Check['inputs'] = [
		['strings in parallel', String(strings.length)],
		['label Isc', amount(isc, 'A')],
		['module’s maximum series fuse', moduleFuse === null ? 'unknown' : amount(moduleFuse, 'A')]
	];
	if (rule.needed === null) {
		const type = record.moduleTypes.find(({ id }) => id === strings[0]!.moduleTypeId)!;
		const at = { kind: 'module-type', id: type.id } as const;
		return waitsFor(base, ['the module’s maximum series fuse'], at);
	}
	const { needed } = rule;
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
	const wrong = ratings.filter(({ rating }) => rating! < low || rating! > high);
	const range = `${amount(low, 'A')} to ${amount(high, 'A')} (${sizeClause})`;
	if (wrong.length > 0) {
		return answer('finding', `${said}, of ${range}. ${ratingWords(wrong)}.`);
	}
	return answer(
		'fits',
		`${said}; ${ratings[0]!.rating} A lies within ${range}. ${openingWords(rule, ratings[0]!.rating!)}`
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
