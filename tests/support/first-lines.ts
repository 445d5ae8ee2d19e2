import { readFileSync } from 'node:fs';
import { readNeutral } from '$core/document';
import { assess } from '$core/diagnosis';

/*
 * First lines of the tracing on visits of another generator, scored by fixed rules: right is a line with a
 * hidden fault among its members, at its place, and nobody from outside the fault's group.
 */

interface NeutralCase {
	readonly id: string;
	readonly truth: {
		readonly code: string;
		readonly faults: readonly {
			readonly code: string;
			readonly place: { readonly string?: string; readonly strings?: readonly string[] };
		}[];
		readonly wrongReadings: readonly { readonly reading: string }[];
	};
}

/** What first readings cannot separate. */
const GROUPS: readonly (readonly string[])[] = [
	['bypass-diode-shorted', 'section-open'],
	['module-open', 'connector-open'],
	['module-missing', 'module-shorted', 'rsd-device-off'],
	['fuse-blown', 'blocking-diode-open', 'disconnect-open', 'reading-wrong'],
	['shade', 'module-degraded', 'soiling', 'connector-resistive'],
	['conditions-wrong', 'record-wrong']
];

export interface FirstLine {
	readonly id: string;
	/** Codes that were hidden, or what the visit is called. */
	readonly hidden: string;
	readonly codes: readonly string[];
	readonly probability: number;
	readonly right: boolean;
}

/** The first line of each visit of a file of neutral visits with their truth. */
export function firstLines(file: URL | string): FirstLine[] {
	const { cases } = JSON.parse(readFileSync(file, 'utf8')) as { cases: readonly NeutralCase[] };
	return cases.map(({ id, truth, ...given }) => {
		const neutral = readNeutral(given);
		if (!neutral.ok) throw new Error(`${id}: ${neutral.problem.what}`);
		const { record, visit, stringOf, readingOf } = neutral.value;
		const [first] = assess(record, visit).causes;
		const members = first?.members ?? [];
		const codes = members.map(({ code }) => code as string);
		const marks = new Set(
			members.flatMap(({ place: { string, strings = [] } }) =>
				[...(string === undefined ? [] : [string]), ...strings].map((one) => stringOf.get(one)!)
			)
		);
		const mistaken = members.some(({ place: { reading } }) =>
			truth.wrongReadings.some(
				(one) => reading !== undefined && readingOf.get(reading) === one.reading
			)
		);
		const right =
			truth.faults.length === 0
				? codes[0] === 'healthy' || mistaken
				: truth.faults.some(({ code, place: { string, strings = [] } }) => {
						const group = GROUPS.find((one) => one.includes(code)) ?? [code];
						return (
							codes.includes(code) &&
							codes.every((one) => group.includes(one)) &&
							[...(string === undefined ? [] : [string]), ...strings].every((mark) =>
								marks.has(mark)
							)
						);
					});
		return {
			id,
			hidden: truth.faults.map(({ code }) => code).join(', ') || truth.code,
			codes,
			probability: first?.probability ?? 0,
			right
		};
	});
}
