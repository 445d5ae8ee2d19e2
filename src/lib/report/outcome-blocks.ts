import { FAULTS, placeWords, QUANTITY_FACTS } from '$core/visit';
import { REPAIR_KINDS, repairCases, type RepairKind, verdictsOf } from '$core/repair';
import type { VisitDocument } from '$core/document';
import type { Assessment } from '$core/diagnosis';
import { findingsOf } from '$lib/text/findings';
import { dayAndTime } from '$lib/text/when';
import { readingFigure } from '$lib/text/reading-figure';
import { chance } from '$lib/text/format';
import { cell, heading, soft, text, type Block } from './block';
import { inspectionSummary } from './inspection-blocks';

/** Why the report names no cause: an inspection without readings is none that is unfinished. */
export function noCausesWords({ visit, inspection }: VisitDocument, otherwise: string): string {
	return visit.readings.length === 0 && inspection.length > 0
		? 'The visit was an inspection; no electrical readings were taken.'
		: otherwise;
}

/** The inspection's result, causes with their reasons, and what was not tested. */
export function outcomeBlocks(document: VisitDocument, assessment: Assessment): Block[] {
	const { record } = document;
	const findings = findingsOf(assessment, record);
	const rows = findings.flatMap(({ name, causes, tests }) =>
		causes.map((cause, i) => {
			const where = cause.where ? `, ${cause.where}` : '';
			const perhaps = cause.perhaps ? `. ${cause.perhaps}` : '';
			const reasons = cause.reasons.filter(({ weighs }) => weighs === 'for');
			return [
				cell(i === 0 ? name : ''),
				cell(
					`${cause.title}${where}${perhaps}`,
					reasons.map(({ words }) => words)
				),
				cell(chance(cause.probability)),
				cell(i === 0 ? (tests[0]?.title ?? '') : '')
			];
		})
	);
	const said: Block = assessment.noCauses
		? text(noCausesWords(document, assessment.noCauses))
		: rows.length === 0
			? text('Nothing wrong that these readings can show.')
			: {
					kind: 'table',
					columns: [
						{ words: 'String', width: 0.7 },
						{ words: 'Cause', width: 3 },
						{ words: 'Chance', figures: true, width: 0.7 },
						{ words: 'Measure next', width: 1.6 }
					],
					rows
				};
	return [
		heading('Outcome'),
		...inspectionSummary(document),
		said,
		soft(`Not tested: ${assessment.untested.join(' ')}`)
	];
}

/** What was done about a cause, at the head of a line. */
export const STEP_WORDS = {
	repaired: 'Repaired',
	accepted: 'Left as it is',
	excluded: 'Not there'
};

/** What was put right, and its readings before and after. */
export function repairBlocks(
	{ record, visit, site }: VisitDocument,
	assessment: Assessment
): Block[] {
	const cases = repairCases(record, visit, verdictsOf(assessment));
	if (cases.length === 0) return [];
	const rows = cases.map(({ code, place, entries, retakes, open }) => {
		const last = entries.at(-1)!;
		const kind = last.kind ? REPAIR_KINDS[last.kind as RepairKind].words : STEP_WORDS[last.step];
		const done = [
			`${FAULTS[code].words}: ${kind.toLowerCase()}`,
			last.lookAgain ? `look again on ${last.lookAgain}` : '',
			last.serial ? `serial ${last.serial}` : ''
		].filter(Boolean);
		const proof =
			last.step === 'repaired' ? [open === null ? 'Proved by its readings.' : `Open: ${open}`] : [];
		const figures = retakes
			.filter(({ before, after }) => before || after)
			.map(({ quantity, before, after }) => {
				const { symbol } = QUANTITY_FACTS[quantity];
				const of = (reading: typeof before) => (reading ? readingFigure(reading) : 'none');
				return `${symbol} ${of(before)} before, ${of(after)} after`;
			});
		return [
			cell(placeWords(record, place)),
			cell(`${done.join(', ')}${last.words ? `. ${last.words}` : ''}`, [
				`${dayAndTime(last.at, site.timeZone)}, ${last.by}.`,
				...proof
			]),
			cell(figures[0] ?? '', figures.slice(1))
		];
	});
	const pictures = cases.flatMap(({ code, place, entries }) =>
		entries.flatMap(({ photograph, step }) =>
			photograph
				? [
						{
							id: photograph,
							words: `${placeWords(record, place)}, ${FAULTS[code].words.toLowerCase()}: ${STEP_WORDS[step].toLowerCase()}`
						}
					]
				: []
		)
	);
	return [
		heading('Repairs'),
		{
			kind: 'table',
			columns: [
				{ words: 'Where', width: 1 },
				{ words: 'What was done', width: 2.4 },
				{ words: 'Before and after', width: 1.6 }
			],
			rows
		},
		...(pictures.length > 0 ? [{ kind: 'pictures', pictures } as const] : [])
	];
}
