import { atStandard, type AtStandard, changeSince, isRead, verdictAt } from '$core/assessment';
import { effectiveVisit, FAULTS, placeWords } from '$core/visit';
import type { SiteDocument, VisitDocument } from '$core/document';
import { type ArrayRecord, labelPower } from '$core/record';
import { WHO_DECIDES } from '$core/isolation';
import { partHistories, REPAIR_KINDS, type RepairKind } from '$core/repair';
import { assess } from '$core/diagnosis';
import { findingsOf } from '$lib/text/findings';
import { PURPOSE_WORDS } from '$lib/text/purposes';
import { day } from '$lib/text/when';
import { count, kilowatts, signed } from '$lib/text/format';
import { cell, heading, soft, text, type Block, type Report } from './block';
import { drawingBlocks } from './drawing-blocks';
import { STEP_WORDS } from './outcome-blocks';
import { visitsOfSite } from './site-visits';
import { designCheckBlocks } from './design-check-blocks';
import { inspectionBlocks } from './inspection-blocks';
import { recordBlocks } from './visit-blocks';
import { partNamesFor, speakFor } from '../messages/text';

/**
 * What is known of a site over the years: its visits and what each found, its strings at standard
 * conditions then and now, what was put right and what failed again, its record.
 *
 * @param checksum of the site's file
 */
export function siteReport(document: SiteDocument, checksum: string): Report {
	const { site, revisions } = document;
	const newest = revisions.at(-1)!;
	const { record } = newest;
	const visits = visitsOfSite(document);
	const [first, last] = [visits[0], visits.at(-1)];
	const when = (visit: VisitDocument) => day(visit.visit.startedAt, site.timeZone);
	return {
		title: site.name,
		subtitle: site.place,
		facts: [
			[
				'Visits',
				first && last ? `${visits.length}, ${when(first)} to ${when(last)}` : 'none was made'
			],
			['Array', `${kilowatts(labelPower(record))}, ${count(record.strings.length, 'string')}`],
			['In service since', String(record.inServiceSince ?? 'unknown')],
			['Record', `revision ${newest.number} of ${day(newest.createdAt, site.timeZone)}`]
		],
		blocks: [
			...visitsBlocks(visits, when),
			...yearsBlocks(record, visits, when),
			...repairsBlocks(record, visits, when),
			...newestInspection(visits),
			...designCheckBlocks(record),
			...recordBlocks(record),
			...partsBlocks(record),
			...drawingBlocks(record, site.name),
			soft(speakFor(record.rules)(WHO_DECIDES))
		],
		signatures: ['Reviewed by'],
		footer: `${site.name}, record revision ${newest.number}. File: SHA-256 ${checksum}`
	};
}

type When = (visit: VisitDocument) => string;

function visitsBlocks(visits: readonly VisitDocument[], when: When): Block[] {
	if (visits.length === 0) return [heading('Visits'), text('None was made.')];
	return [
		heading('Visits'),
		{
			kind: 'table',
			columns: [
				{ words: 'When and who', width: 1.3 },
				{ words: 'Why', width: 1.5 },
				{ words: 'Read', figures: true, width: 0.5 },
				{ words: 'Fail', figures: true, width: 0.5 },
				{ words: 'What was found', width: 2.6 }
			],
			rows: visits.map((document) => {
				const { visit, record, inspection } = document;
				const assessment = assess(record, visit, inspection);
				const read = assessment.places.filter(isRead);
				const found = findingsOf(assessment, record).map(
					({ name, headline }) => `${name}: ${headline}`
				);
				return [
					cell(when(document), [visit.by]),
					cell(PURPOSE_WORDS[visit.purpose], visit.reason ? [visit.reason] : []),
					cell(String(read.length)),
					cell(String(read.filter((place) => verdictAt(place) === 'fail').length)),
					cell(found[0] ?? (read.length > 0 ? 'nothing wrong' : 'nothing was read'), found.slice(1))
				];
			})
		}
	];
}

/** Each string at 1000 W/m2 and 25 degC in the first and the last visit that read it. */
function yearsBlocks(record: ArrayRecord, visits: readonly VisitDocument[], when: When): Block[] {
	const carried = visits.map((document) => ({
		date: when(document),
		strings: atStandard(document.record, effectiveVisit(document.record, document.visit))
	}));
	const rows = record.strings.flatMap(({ label }) => {
		const read = carried.flatMap(({ date, strings }) => {
			const one = strings.get(label);
			return one && (one.voc !== null || one.current !== null) ? [{ date, one }] : [];
		});
		const [first, last] = [read[0], read.at(-1)];
		if (!first || !last) return [];
		return [
			[
				cell(label),
				cell(first === last ? first.date : `${first.date} to ${last.date}`),
				...pair(first.one, last.one, 'voc', 1),
				...pair(first.one, last.one, 'current', 2)
			]
		];
	});
	if (rows.length === 0) return [];
	const figures = ['V then', 'V now', '%', 'A then', 'A now', '%'];
	return [
		heading('Strings at 1000 W/m² and 25 °C'),
		{
			kind: 'table',
			columns: [
				{ words: 'String', width: 0.7 },
				{ words: 'Read', width: 2 },
				...figures.map((words) => ({ words, figures: true, width: 0.8 }) as const)
			],
			rows
		},
		soft(
			'Open-circuit voltage, and the short-circuit current or, where it was not read, the operating current, translated by IEC 60891:2009, procedure 2 (clause not verified). A change within the uncertainty of the irradiance is not significant.'
		)
	];
}

function pair(first: AtStandard, last: AtStandard, of: 'voc' | 'current', places: number) {
	const once = first === last;
	const change = once ? null : changeSince(last, first)[of];
	const figure = (value: number | null) => cell(value === null ? '' : value.toFixed(places));
	return [
		once ? cell('') : figure(first[of]),
		figure(last[of]),
		cell(change === null ? '' : signed(100 * change, 1))
	];
}

function repairsBlocks(newest: ArrayRecord, visits: readonly VisitDocument[], when: When): Block[] {
	const all = visits.flatMap((document) =>
		document.visit.repairs.map((entry) => ({ entry, document }))
	);
	const visitOf = new Map(all.map(({ entry, document }) => [entry.id, document]));
	const parts = partHistories(all.map(({ entry }) => entry));
	if (parts.length === 0) return [];
	return [
		heading('What failed, and what was done'),
		{
			kind: 'list',
			items: parts.map(({ entries, again }) => {
				const { record } = visitOf.get(entries[0].id) ?? { record: newest };
				const where = placeWords(record, entries[0].place);
				return cell(
					`${where}${again ? ', failed again after a repair' : ''}`,
					entries.map(({ id, code, kind, step, words, by }) => {
						const done = kind ? REPAIR_KINDS[kind as RepairKind].words : STEP_WORDS[step];
						const said = words ? `. ${words}` : '';
						const date = visitOf.has(id) ? when(visitOf.get(id)!) : '';
						return `${date}: ${FAULTS[code].words}, ${done.toLowerCase()}${said} (${by})`;
					})
				);
			})
		}
	];
}

/** Findings of the newest visit that has an inspection. */
function newestInspection(visits: readonly VisitDocument[]): Block[] {
	const newest = visits.findLast(({ inspection }) => inspection.length > 0);
	return newest ? inspectionBlocks(newest) : [];
}

function partsBlocks({ parts, rules }: ArrayRecord): Block[] {
	if (parts.length === 0) return [];
	const nameOfPart = partNamesFor(rules);
	return [
		{
			kind: 'table',
			columns: [
				{ words: 'Mark', width: 0.9 },
				{ words: 'Part', width: 1.2 },
				{ words: 'Model', width: 1.4 },
				{ words: 'Serial', width: 1.2 },
				{ words: 'Where', width: 1.6 }
			],
			rows: parts.map(({ mark, kind, model, serial, place }) =>
				[mark, nameOfPart(kind), model ?? '', serial ?? '', place ?? ''].map((one) => cell(one))
			)
		}
	];
}
