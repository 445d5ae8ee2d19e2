import { looksNeutral, type Problem, readNeutral, readVisitData } from '$core/document';
import type { ArrayRecord } from '$core/record';
import { assess, type CauseMember, type Remark } from '$core/diagnosis';
import { type Result, succeed } from '$core/units';

/** Ids of one file in the words of its place keys. */
interface Names {
	readonly string: (id: string) => string;
	readonly reading: (id: string) => string;
	/** Reading of an input's volts; null where they are no reading of their own. */
	readonly volts: (input: string) => string | null;
}

/** From here on a place within a string is named rather than left open. */
const SURE_OF_PLACE = 0.9;

/**
 * `zembo trace`: a visit file, or a visit in the neutral form; causes best first, the members of a line
 * being what cannot be told apart, and the tests that would tell more with their expected information.
 */
export function traceCommand(input: unknown): Result<unknown, Problem> {
	if (looksNeutral(input)) {
		const neutral = readNeutral(input);
		if (!neutral.ok) return neutral;
		const { record, visit, stringOf, readingOf, voltageOf } = neutral.value;
		return succeed(
			answer(record, assess(record, visit), {
				string: (id) => stringOf.get(id) ?? id,
				reading: (id) => readingOf.get(id) ?? id,
				volts: (input) => voltageOf.get(input) ?? null
			})
		);
	}
	const document = readVisitData(input);
	if (!document.ok) return document;
	const { record, visit, inspection } = document.value;
	return succeed(
		answer(record, assess(record, visit, inspection), {
			string: (id) => id,
			reading: (id) => id,
			volts: () => null
		})
	);
}

function answer(record: ArrayRecord, assessment: ReturnType<typeof assess>, names: Names) {
	const { causes, next, noCauses, unexplained, remarks } = assessment;
	return {
		...(noCauses !== null && { noCauses }),
		causes: causes.map(({ probability, members }) => ({
			probability,
			members: members.map((member) => ({
				code: member.code,
				place: placeOf(member, record, names),
				probability: member.probability
			}))
		})),
		unexplained: unexplained.map(({ readingId, stringId, ...rest }) => ({
			reading: names.reading(readingId),
			string: names.string(stringId),
			...rest
		})),
		remarks: remarks.map((remark) => remarkIn(remark, names)),
		next: next.map(
			({ title, place, quantity, information, minutes, exposure, score, outcomes }) => ({
				title,
				place: 'string' in place ? { ...place, string: names.string(place.string) } : place,
				quantity,
				information,
				minutes,
				exposure,
				score,
				outcomes
			})
		)
	};
}

/** A remark with the strings in the words of the file. */
function remarkIn(remark: Remark, names: Names): object {
	if (remark.code === 'record-contradicted') {
		return { ...remark, strings: remark.strings.map(names.string) };
	}
	if (remark.code === 'test-withheld' && 'string' in remark.place) {
		return { ...remark, place: { ...remark.place, string: names.string(remark.place.string) } };
	}
	return remark;
}

/** Modules, sections and devices are counted from 1 at the negative end, joints from 0. */
function placeOf(
	{ code, place }: CauseMember,
	{ moduleTypes, strings }: ArrayRecord,
	names: Names
) {
	const { string, strings: pair, input, inverter, site, link, reading, within } = place;
	const one = string === undefined ? undefined : names.string(string);
	const placed = within && within.share >= SURE_OF_PLACE ? within.likeliest : null;
	const substrings =
		moduleTypes.find(
			({ id }) => id === strings.find((candidate) => candidate.id === string)?.moduleTypeId
		)?.plate.sections ?? 3;
	const finer = () => {
		switch (placed === null ? null : within!.spread) {
			case 'module':
				return { module: placed! + 1 };
			case 'section':
				return {
					module: Math.floor(placed! / substrings) + 1,
					section: (placed! % substrings) + 1
				};
			case 'device':
				return { device: placed! + 1 };
			case 'joint':
				return code === 'earth-fault' ? { modulesFromNegative: placed! } : { joint: placed! };
			case 'pole':
				return { pole: placed === 0 ? 'positive' : 'negative' };
			default:
				return {};
		}
	};
	const voltage = code === 'reading-wrong' && input !== undefined ? names.volts(input) : null;
	if (voltage !== null) return { reading: voltage };
	if (code === 'record-wrong') {
		if (pair) return { strings: pair.map(names.string) };
		return one === undefined ? {} : { strings: [one] };
	}
	if (code === 'unequal-parallel') return { inputs: [input] };
	return {
		...(one !== undefined && { string: one }),
		...(pair && { strings: pair.map(names.string) }),
		...(input !== undefined && { input }),
		...(inverter && { inverter }),
		...(site && { site }),
		...(link !== undefined && { link }),
		...(reading !== undefined && { reading: names.reading(reading) }),
		...finer()
	};
}
