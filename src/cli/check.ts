import {
	arrayRecordSchema,
	FORMAT,
	looksNeutral,
	type Problem,
	problemOf,
	readNeutral,
	readSiteDocument,
	readVisitData,
	SITE_FORMAT
} from '$core/document';
import type { ArrayRecord } from '$core/record';
import { type CheckPlace, checkRecord } from '$core/design-checks';
import { refuse, type Result, succeed } from '$core/units';

/**
 * `zembo check`: an array record, a visit file, a site file (its latest record) or a visit in the neutral
 * form; the design checks that follow from the record, failures first.
 */
export function checkCommand(input: unknown): Result<unknown, Problem> {
	const read = recordOf(input);
	if (!read.ok) return read;
	const { record, stringOf } = read.value;
	return succeed(
		checkRecord(record).map(
			({ code, title, places, verdict, required, found, remark, clause }) => ({
				code,
				places: places.map((place) => placeOf(place, record, stringOf)),
				verdict,
				required,
				found,
				clause,
				title,
				remark
			})
		)
	);
}

interface Read {
	readonly record: ArrayRecord;
	/** Key of a string in the file by its id. */
	readonly stringOf: (id: string) => string;
}

function recordOf(input: unknown): Result<Read, Problem> {
	const { format, record } = (input ?? {}) as { format?: unknown; record?: unknown };
	const ofIds = (value: ArrayRecord) => succeed({ record: value, stringOf: (id: string) => id });
	if (format === SITE_FORMAT) {
		const site = readSiteDocument(JSON.stringify(input));
		return site.ok ? ofIds(site.value.revisions.at(-1)!.record) : site;
	}
	if (format === FORMAT) {
		const visit = readVisitData(input);
		return visit.ok ? ofIds(visit.value.record) : visit;
	}
	if (looksNeutral(input)) {
		const neutral = readNeutral(input);
		if (!neutral.ok) return neutral;
		const { stringOf } = neutral.value;
		return succeed({
			record: neutral.value.record,
			stringOf: (id: string) => stringOf.get(id) ?? id
		});
	}
	const parsed = arrayRecordSchema.safeParse(record ?? input);
	return parsed.success ? ofIds(parsed.data) : refuse(problemOf(parsed.error));
}

/** Ids as in the file, with the label that people read on the equipment. */
function placeOf(place: CheckPlace, record: ArrayRecord, stringOf: (id: string) => string) {
	if ('input' in place) return place;
	if ('part' in place) {
		return { ...place, label: record.parts.find(({ id }) => id === place.part)?.mark };
	}
	const { string } = place;
	return {
		string: stringOf(string),
		label: record.strings.find(({ id }) => id === string)?.label
	};
}
