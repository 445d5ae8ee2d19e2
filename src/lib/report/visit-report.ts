import { isRead } from '$core/assessment';
import type { VisitDocument } from '$core/document';
import { labelPower } from '$core/record';
import { WHO_DECIDES } from '$core/isolation';
import { repairCases, verdictsOf } from '$core/repair';
import { FAULTS, placeWords } from '$core/visit';
import type { Assessment } from '$core/diagnosis';
import { findingsOf } from '$lib/text/findings';
import { PURPOSE_WORDS } from '$lib/text/purposes';
import { dayAndTime } from '$lib/text/when';
import { count, kilowatts } from '$lib/text/format';
import { cell, heading, soft, text, type Block, type Report } from './block';
import { basisBlocks } from './basis-blocks';
import { designCheckBlocks } from './design-check-blocks';
import { drawingBlocks } from './drawing-blocks';
import { inspectionBlocks, inspectionSummary } from './inspection-blocks';
import { noCausesWords, outcomeBlocks, repairBlocks } from './outcome-blocks';
import { readingsBlocks } from './readings-blocks';
import {
	cautionBlocks,
	conditionsBlocks,
	recordBlocks,
	safetyBlocks,
	testEquipmentBlocks
} from './visit-blocks';
import { speakFor } from '../messages/text';

export const REPORT_FORMS = ['full', 'short'] as const;
export type ReportForm = (typeof REPORT_FORMS)[number];

/**
 * The report of a visit: in full for who goes on with it, or on one page in plain words for who owns
 * the array.
 *
 * @param checksum of the visit's file, so that paper and file can be held together; null on the page,
 *   where the visit still goes on
 * @param now of the server, ms since 1970-01-01
 */
export function visitReport(
	document: VisitDocument,
	assessment: Assessment,
	form: ReportForm,
	checksum: string | null,
	now: number
): Report {
	const { site, visit, revision, record } = document;
	const isMeasured = visit.readings.length > 0;
	const facts: (readonly [string, string])[] = [
		['Visit', `${dayAndTime(visit.startedAt, site.timeZone)} (${site.timeZone})`],
		['Measured by', visit.by],
		['Purpose', PURPOSE_WORDS[visit.purpose]],
		...(visit.inverterSays ? ([['Inverter says', visit.inverterSays]] as const) : []),
		...(visit.reason ? ([['Reason', visit.reason]] as const) : []),
		['Record', `revision ${revision.number}`]
	];
	return {
		title: site.name,
		subtitle: site.place,
		facts: form === 'full' ? facts : facts.slice(0, 3),
		blocks:
			form === 'short'
				? plainBlocks(document, assessment)
				: [
						...outcomeBlocks(document, assessment),
						...repairBlocks(document, assessment),
						// Where nothing was measured the inspection is what the visit was for.
						...(isMeasured ? [] : inspectionBlocks(document)),
						...(isMeasured ? conditionsBlocks(document, assessment) : []),
						...readingsBlocks(assessment, record),
						...(isMeasured ? inspectionBlocks(document) : []),
						...safetyBlocks(document, assessment, now),
						...testEquipmentBlocks(document),
						...designCheckBlocks(record),
						...recordBlocks(record),
						...drawingBlocks(record, site.name),
						...cautionBlocks(document, assessment),
						...basisBlocks(document, assessment)
					],
		signatures: form === 'short' ? ['For the service'] : ['Measured by', 'Reviewed by'],
		footer: `${site.name}, visit of ${visit.startedAt.slice(0, 10)}, record revision ${revision.number}${checksum === null ? '' : `. File: SHA-256 ${checksum}`}`
	};
}

/** What was found and done, for somebody who does not measure. */
function plainBlocks(document: VisitDocument, assessment: Assessment): Block[] {
	const { record, visit } = document;
	const findings = findingsOf(assessment, record);
	const cases = repairCases(record, visit, verdictsOf(assessment));
	const read = new Set(assessment.places.filter(isRead).map(({ stringId }) => stringId));
	const done = cases.filter(({ entries }) => entries.at(-1)!.step === 'repaired');
	const open = findings.filter(({ causes }) => causes[0]!.probability > 0.5);
	const perhaps = findings.filter(({ causes }) => causes[0]!.probability <= 0.5);
	const line = ({ name, headline, where }: (typeof findings)[number]) =>
		cell(`${name}: ${headline}${where ? `, ${where}` : ''}.`);
	return [
		heading('What was looked at'),
		text(
			`The array has ${count(record.strings.length, 'string')} and ${kilowatts(labelPower(record))} on its modules’ labels. Measured: ${read.size} of them.`
		),
		heading('What was found'),
		...inspectionSummary(document),
		...(assessment.noCauses
			? [text(noCausesWords(document, assessment.noCauses))]
			: findings.length === 0
				? [text('Nothing wrong that these measurements can show.')]
				: []),
		...(open.length > 0 ? [{ kind: 'list', items: open.map(line) } as const] : []),
		...(perhaps.length > 0
			? [
					soft('Not sure yet, to be measured again:'),
					{ kind: 'list', items: perhaps.map(line) } as const
				]
			: []),
		heading('What was done'),
		done.length === 0
			? text('Nothing was repaired in this visit.')
			: {
					kind: 'list',
					items: done.map(({ code, place, open: still }) =>
						cell(
							`${placeWords(record, place)}: ${FAULTS[code].words.toLowerCase()}. ${still === null ? 'Put right, and proved by measuring again.' : `Not finished: ${still}`}`
						)
					)
				},
		heading('What was not checked'),
		text(assessment.untested.join(' ') || 'Nothing is left open by these measurements.'),
		soft(speakFor(record.rules)(WHO_DECIDES))
	];
}
