import {
	type ArrayRecord,
	marksOf,
	parallelStrings,
	type PartOf,
	partsOf,
	partsOnward,
	type StringRecord
} from '../record';
import { recordedRating } from './cables/recorded-cable';
import { carries, requiredCurrent, uncorrectedAmpacity } from './cables/required-current';
import { designIscSum } from './current-limits';
import { US_CURRENT as US } from '../profiles';
import { amount, answered, notAssessed, stringPlaces, type Check, type CheckBase } from './check';
import { stringsThrough } from './currents';

type Conductor = PartOf<'conductor'>;

/** DC conductors: against their strings, against what flows back in a fault, and against their fuse. */
export function conductorChecks(record: ArrayRecord): Check[] {
	return partsOf(record.parts, 'conductor').flatMap((part) => {
		const { use } = part.specs;
		if (use === 'combiner output') {
			const strings = stringsThrough(record, part);
			return [
				ampacityCheck(record, part, strings, designIscSum(strings, record)),
				...outputFuse(record, part)
			];
		}
		if (use !== 'one string') return [];
		const strings = stringsOf(record, part);
		const currents = strings.map((string) => designIscSum([string], record));
		// One kind of conductor serves several strings: it has to carry the worst of them.
		const worst =
			currents.length === 0 || currents.includes(null)
				? null
				: Math.max(...currents.map((current) => current!));
		return [
			ampacityCheck(record, part, strings, worst),
			...reverseCurrent(record, part, strings),
			...stringFuses(record, part, strings)
		];
	});
}

/** Strings that a conductor of theirs serves: those on whose way it lies, else all. */
function stringsOf(record: ArrayRecord, conductor: Conductor): readonly StringRecord[] {
	const own = stringsThrough(record, conductor);
	return own.length > 0 ? own : record.strings;
}

function baseOf(
	part: Conductor,
	code: Check['code'],
	title: string,
	clause: string,
	strings: readonly StringRecord[] = []
): CheckBase {
	return {
		key: `${code}/${part.id}`,
		code,
		title,
		about: strings.length > 0 ? `${part.mark}, ${marksOf(strings)}` : part.mark,
		places: [{ part: part.id }, ...stringPlaces(strings)],
		clause,
		at: { kind: 'part', id: part.id }
	};
}

function ampacityCheck(
	record: ArrayRecord,
	part: Conductor,
	strings: readonly StringRecord[],
	isc: number | null
): Check {
	const rated = recordedRating(part, record.rules);
	const { clause } = requiredCurrent(0, record.rules);
	const base = baseOf(part, 'conductor-ampacity', 'Ampacity of a DC conductor', clause);
	if (!rated.ok || isc === null || strings.length === 0) {
		return notAssessed(base, [
			...(rated.ok ? [] : rated.problem),
			...(strings.length === 0
				? ['the strings that feed it']
				: isc === null
					? ['the module’s nameplate']
					: [])
		]);
	}
	const rating = rated.value;
	const required = requiredCurrent(isc, record.rules);
	const uncorrected = uncorrectedAmpacity(rating);
	return answered(base, carries(rating, required) ? 'pass' : 'fail', {
		required: `≥ ${amount(required.corrected, 'A')} as it lies${required.uncorrected === null ? '' : `, ≥ ${amount(required.uncorrected, 'A')} before corrections`}`,
		found: `${amount(rating.corrected, 'A')} as it lies${required.uncorrected === null ? '' : `, ${amount(uncorrected, 'A')} before corrections`}`,
		remark: assumedWords(rating.assumed),
		inputs: [
			['strings', marksOf(strings)],
			['Isc together', amount(isc, 'A')],
			['size', rating.row],
			['ambient', `${rating.spec.ambient} °C, × ${rating.ambientFactor}`],
			['grouping', `× ${rating.groupingFactor}`]
		],
		formula: required.formula,
		clause: `${clause}; ${rating.source}`
	});
}

const assumedWords = (assumed: readonly string[]) =>
	assumed.length === 0 ? '' : `Assumed: ${assumed.join('; ')}.`;

/** What the other strings feed into a fault of a string without a fuse passes its conductor backwards. */
function reverseCurrent(
	record: ArrayRecord,
	part: Conductor,
	served: readonly StringRecord[]
): Check[] {
	const groups = parallelStrings(record).filter(
		({ strings, maybe }) =>
			strings.length + maybe.length > 1 &&
			strings.some(
				(string) => served.includes(string) && (string.fuse === null || string.fuse === 'unknown')
			)
	);
	if (groups.length === 0) return [];
	const clause =
		record.rules.profile === 'US'
			? `${US.fuseNeeded.clause}; NEC 690.8(A)`
			: 'IEC 62548-1, string cable without overcurrent protection, not verified';
	const rated = recordedRating(part, record.rules);
	return groups.map(({ strings, maybe }) => {
		const unfused = strings.filter(({ fuse }) => fuse === null || fuse === 'unknown');
		const base: CheckBase = {
			...baseOf(
				part,
				'conductor-reverse-current',
				'Reverse current in a conductor without a fuse',
				clause,
				unfused
			),
			key: `conductor-reverse-current/${part.id}/${strings[0].id}`
		};
		const least = feedOf(record, strings);
		const most = feedOf(record, [...strings, ...maybe]);
		if (!rated.ok || least === null || most === null) {
			return notAssessed(base, [
				...(rated.ok ? [] : rated.problem),
				...(most === null ? ['the module’s nameplate'] : [])
			]);
		}
		const { ampacity } = rated.value;
		const answer = {
			required: `≥ ${amount(least, 'A')} from the other strings`,
			found: amount(ampacity, 'A'),
			inputs: [['strings in parallel', String(strings.length)]],
			formula: '1.25 × Isc of the other strings in parallel',
			clause: `${clause}; ${rated.value.source}`
		} as const;
		const unseen = unfused.every(({ fuse }) => fuse === 'unknown');
		if (ampacity < least) {
			return unseen
				? notAssessed(base, [`whether ${marksOf(unfused)} have a fuse`], answer)
				: answered(base, 'fail', answer);
		}
		return ampacity < most
			? notAssessed(base, [`what ${marksOf([...strings, ...maybe])} are connected to`], answer)
			: answered(base, 'pass', answer);
	});
}

/** The most that the others of a group feed into one string, A; null where a nameplate is missing. */
function feedOf(record: ArrayRecord, strings: readonly StringRecord[]): number | null {
	const all = designIscSum(strings, record);
	if (all === null) return null;
	const smallest = Math.min(...strings.map((string) => designIscSum([string], record)!));
	return US.maximum.factor * (all - smallest);
}

/** Fuses in strings against the largest that protects their conductor. */
function stringFuses(
	record: ArrayRecord,
	part: Conductor,
	served: readonly StringRecord[]
): Check[] {
	const fused = served.filter(
		({ fuse }) => fuse !== null && fuse !== 'unknown' && fuse.rating !== null
	);
	if (fused.length === 0) return [];
	const largest = Math.max(...fused.map(({ fuse }) => (fuse as { rating: number }).rating));
	const worst = fused.filter(({ fuse }) => (fuse as { rating: number }).rating === largest);
	return [overcurrentCheck(record, part, largest, worst)];
}

function outputFuse(record: ArrayRecord, part: Conductor): Check[] {
	const feeding = partsOf(record.parts, 'combiner').filter((combiner) =>
		partsOnward(record, combiner.to).some(({ id }) => id === part.id)
	);
	const ratings = feeding.flatMap(({ specs }) => specs.outputFuse ?? []);
	return ratings.length === 0 ? [] : [overcurrentCheck(record, part, Math.max(...ratings), [])];
}

function overcurrentCheck(
	record: ArrayRecord,
	part: Conductor,
	fuse: number,
	strings: readonly StringRecord[]
): Check {
	const us = record.rules.profile === 'US';
	const base = baseOf(
		part,
		'conductor-overcurrent',
		'Fuse against the conductor it protects',
		us ? 'NEC 240.4(B) and (D), not verified' : 'IEC 60364-4-43, In ≤ Iz, not verified',
		strings
	);
	const rated = recordedRating(part, record.rules);
	if (!rated.ok) return notAssessed(base, rated.problem, { found: amount(fuse, 'A') });
	const { maximumFuse, ampacity, source, assumed } = rated.value;
	if (maximumFuse === null) return notAssessed(base, ['a standard rating for this conductor']);
	return answered(base, fuse <= maximumFuse ? 'pass' : 'fail', {
		required: `≤ ${amount(maximumFuse, 'A')}`,
		found: amount(fuse, 'A'),
		remark: assumedWords(assumed),
		inputs: [['ampacity as it lies', amount(ampacity, 'A')]],
		formula: us
			? 'next standard rating above the ampacity, and the limit of small conductors'
			: 'rating of the fuse at or below the ampacity',
		clause: `${base.clause}; ${source}`
	});
}
