import {
	type ArrayRecord,
	marksOf,
	type ParallelGroup,
	parallelStrings,
	type PartOf,
	partsOf,
	partsOnward,
	type StringRecord
} from '../record';
import { NEC_RATINGS, nextRating } from './cables/standard-ratings';
import { designIscOf, designIscSum } from './current-limits';
import { IEC_CURRENT as IEC, US_CURRENT as US } from '../profiles';
import { openingWords, stringFuseRule } from './string-fuse';
import {
	amount,
	answered,
	notAssessed,
	PLACES,
	stringPlaces,
	type Check,
	type CheckBase
} from './check';

/** Overcurrent protection on the DC side: of strings in parallel, and of combiners in parallel. */
export function fuseChecks(record: ArrayRecord): Check[] {
	const groups = parallelStrings(record);
	return [...groups.map((group) => fuseCheck(record, group)), ...subArrayChecks(record, groups)];
}

function fuseCheck(record: ArrayRecord, { strings, maybe }: ParallelGroup): Check {
	const all = [...strings, ...maybe];
	const isc = highest(all.map((string) => designIscOf(string, record)));
	const moduleFuse = lowestSeriesFuse(record, strings);
	const rule = stringFuseRule(
		{ count: strings.length, isc: isc ?? Number.NaN, moduleFuse },
		record.rules
	);
	const base: CheckBase = {
		key: `fuse/${strings[0].id}`,
		code: 'string-fuse',
		title: 'String fuse: required, and its rating',
		about: marksOf(strings),
		places: stringPlaces(strings),
		clause: `${rule.clause}; ${rule.sizeClause}`,
		at: PLACES.strings
	};
	if (isc === null) return notAssessed(base, ['the module’s nameplate']);
	const atMost = stringFuseRule({ count: all.length, isc, moduleFuse }, record.rules);
	const shared = {
		inputs: [
			['strings in parallel', String(strings.length)],
			...(maybe.length > 0
				? [['strings whose connection is not recorded', marksOf(maybe)] as const]
				: []),
			['Isc for limits', amount(isc, 'A')],
			[
				'module’s maximum series fuse',
				moduleFuse === null ? 'not recorded' : amount(moduleFuse, 'A')
			]
		],
		formula: rule.formula
	} as const;
	const fuses = strings.map(({ fuse }) => fuse);
	const unseen = strings.filter(({ fuse }) => fuse === 'unknown');
	const bare = strings.filter(({ fuse }) => fuse === null);
	const fitted = strings.flatMap(({ label, fuse }) =>
		fuse === null || fuse === 'unknown' ? [] : [{ label, rating: fuse.rating }]
	);
	const found = fuses.every((fuse) => fuse === 'unknown')
		? null
		: [
				...(bare.length > 0 ? [`no fuse in ${marksOf(bare)}`] : []),
				...ratingWords(fitted),
				...(unseen.length > 0 ? [`${marksOf(unseen)} not recorded`] : [])
			].join('; ');
	const limit = moduleFuse === null ? '' : ` of its modules, ${amount(moduleFuse, 'A')}`;
	const range = Number.isFinite(rule.high)
		? `${amount(rule.low, 'A')} to ${amount(rule.high, 'A')}`
		: `at least ${amount(rule.low, 'A')}`;
	// Only as many strings as are surely in parallel count for what is required; as many as may be, for what is not.
	const required = rule.asked
		? `a fuse of ${range} in every string`
		: atMost.needed === false
			? 'none'
			: null;
	const unsure = [
		...(moduleFuse === null && all.length > 1 ? ['the module’s maximum series fuse'] : []),
		...(maybe.length > 0 && rule.needed !== true && atMost.needed !== false
			? [`what ${marksOf(all)} are connected to`]
			: [])
	];
	const others = amount(rule.needed ? rule.others : atMost.others, 'A');
	const because = rule.needed
		? `The other strings can feed ${others} into a fault, more than the maximum series fuse${limit}.`
		: rule.asked
			? 'The house rule requires a fuse in every parallel string.'
			: '';
	const asFound = { ...shared, required, found, remark: because };
	if (rule.asked && bare.length > 0) return answered(base, 'fail', asFound);
	const wrong = fitted.filter(
		({ rating }) => rating !== null && (rating > rule.high || (rule.asked && rating < rule.low))
	);
	if (wrong.length > 0) {
		return answered(base, 'fail', { ...asFound, required: `a fuse of ${range}` });
	}
	if (unsure.length > 0) return notAssessed(base, unsure, asFound);
	if (unseen.length > 0 && (rule.asked || atMost.needed !== false)) {
		return notAssessed(base, [`the fuse of ${marksOf(unseen)}`], asFound);
	}
	if (fitted.some(({ rating }) => rating === null)) {
		return notAssessed(base, ['the rating of the fuse'], asFound);
	}
	const smaller = fitted.filter(({ rating }) => rating! < rule.low);
	if (smaller.length > 0) {
		return answered(base, 'note', {
			...asFound,
			remark: `No fuse is required. One below ${amount(rule.low, 'A')} ages and opens in bright sun.`
		});
	}
	const opening = fitted[0] && strings.length > 1 ? openingWords(rule, fitted[0].rating!) : '';
	return answered(base, 'pass', {
		...asFound,
		required: required ?? 'none',
		found: found ?? 'not recorded; none is required',
		remark: [because, opening].filter(Boolean).join(' ')
	});
}

/** Highest of figures; null where one is missing. */
function highest(figures: readonly (number | null)[]): number | null {
	return figures.includes(null) ? null : Math.max(...figures.map((figure) => figure!));
}

/** "15 A in A1, A2 and 2 more", for each rating. */
function ratingWords(
	fuses: readonly { readonly label: string; readonly rating: number | null }[]
): string[] {
	const ratings = [...new Set(fuses.map(({ rating }) => rating))];
	return ratings.map((rating) => {
		const alike = fuses.filter((fuse) => fuse.rating === rating);
		return `${rating === null ? 'a fuse of unrecorded rating' : `${rating} A`} in ${marksOf(alike)}`;
	});
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
		: Math.min(...limits.filter((current) => current !== null));
}

/** Combiners in parallel: whether each output needs a fuse, and its rating. */
function subArrayChecks(record: ArrayRecord, groups: readonly ParallelGroup[]): Check[] {
	return groups.flatMap(({ strings }) => {
		const combiners = new Map<PartOf<'combiner'>, StringRecord[]>();
		for (const string of strings) {
			const [first] = partsOf(partsOnward(record, string.to), 'combiner');
			if (first) combiners.set(first, [...(combiners.get(first) ?? []), string]);
		}
		if (combiners.size < 2) return [];
		return [...combiners].map(([combiner, own]) => {
			const others = strings.filter((string) => !own.includes(string));
			return subArrayCheck(record, combiner, own, others);
		});
	});
}

function subArrayCheck(
	record: ArrayRecord,
	combiner: PartOf<'combiner'>,
	own: readonly StringRecord[],
	others: readonly StringRecord[]
): Check {
	const us = record.rules.profile === 'US';
	const base: CheckBase = {
		key: `sub-array/${combiner.id}`,
		code: 'sub-array-fuse',
		title: 'Fuse of a combiner in parallel with others',
		about: combiner.mark,
		places: [{ part: combiner.id }],
		clause: us
			? `${US.fuseNeeded.clause}; ${US.fuse.clause}`
			: 'IEC 62548-1, sub-array overcurrent protection, 1.25 to 2.4 × Isc; not verified',
		at: { kind: 'part', id: combiner.id }
	};
	const ownIsc = designIscSum(own, record);
	const othersIsc = designIscSum(others, record);
	const { outputFuse, ratedAmps: ratedCurrent } = combiner.specs;
	if (ownIsc === null || othersIsc === null) return notAssessed(base, ['the module’s nameplate']);
	const low = us ? US.fuse.factor * ownIsc : IEC.subArray.low * ownIsc;
	const high = us ? (nextRating(NEC_RATINGS, low) ?? low) : IEC.subArray.high * ownIsc;
	const back = 1.25 * othersIsc;
	const answer = {
		required: `a fuse of ${amount(low, 'A')} to ${amount(high, 'A')}`,
		found: outputFuse === null ? null : `${amount(outputFuse, 'A')}`,
		inputs: [
			['Isc of its strings', amount(ownIsc, 'A')],
			['Isc of the others', amount(othersIsc, 'A')],
			['its rated current', ratedCurrent === null ? 'not recorded' : amount(ratedCurrent, 'A')]
		],
		formula: '1.25 × Isc of the other combiners against the rated current of this one',
		remark: `The others can feed ${amount(back, 'A')} into a fault in it.`
	} as const;
	if (outputFuse !== null) {
		return answered(base, outputFuse >= low && outputFuse <= high ? 'pass' : 'fail', answer);
	}
	if (ratedCurrent !== null && back <= ratedCurrent) {
		return answered(base, 'pass', {
			...answer,
			required: `none while the others feed at most ${amount(ratedCurrent, 'A')}`,
			found: `${amount(back, 'A')} from the others`,
			remark: ''
		});
	}
	return notAssessed(
		base,
		[
			`the fuse on the output of ${combiner.mark}`,
			...(ratedCurrent === null ? ['its rated current'] : [])
		],
		answer
	);
}
