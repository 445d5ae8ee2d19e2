import type { VisitDocument } from '$core/document';
import type { ArrayRecord } from '$core/record';
import {
	type InspectionEntry,
	inspectionOf,
	type InspectionStop,
	type MeasuredItem,
	outcomeOfStop,
	placeOfDefect,
	scaleInfrared,
	SEVERITIES,
	SEVERITY_WORDS,
	STATION_WORDS
} from '$core/inspection';
import { speakFor } from '../messages/text';
import { cell, heading, text, type Block, type Cell } from './block';

interface Told {
	readonly entry: InspectionEntry;
	readonly stop: InspectionStop;
}

/** The inspection: defects by priority, what passed, and what was not inspected, each with its photographs. */
export function inspectionBlocks({ record, inspection }: VisitDocument): Block[] {
	const walk = inspectionOf(record, inspection);
	const stops = walk.flatMap((segment) => segment.stops);
	const answered = stops.filter((stop) => outcomeOfStop(stop) !== null);
	if (answered.length === 0) return [];
	const told = stops.flatMap((stop) => stop.answers.map((entry): Told => ({ entry, stop })));
	const defects = SEVERITIES.flatMap((severity) =>
		told.filter(({ entry }) => entry.severity === severity)
	);
	const unseen = told.filter(({ entry }) => entry.outcome === 'not-seen');
	const passed = walk.flatMap(({ station, stops: own }) => {
		const fit = own.flatMap((stop) =>
			outcomeOfStop(stop) === 'fits'
				? [{ stop, entry: stop.answers.find(({ outcome }) => outcome === 'fits')! }]
				: []
		);
		return fit.length === 0 ? [] : [{ station, fit }];
	});
	return [
		heading('Inspection'),
		text(`${answered.length} of ${stops.length} inspection items were answered.`),
		...(defects.length === 0
			? [text('No defect was found.')]
			: [
					minor('Defects'),
					list(defects.map((one) => defectCell(record, one))),
					...pictures(record, defects)
				]),
		...(unseen.length === 0
			? []
			: [
					minor('Not inspected'),
					list(unseen.map(({ entry, stop }) => cell(`${nameOf(stop)}: ${entry.words}`))),
					...pictures(record, unseen)
				]),
		...(passed.length === 0
			? []
			: [
					minor('Passed'),
					...passed.map(({ station, fit }) =>
						list([
							cell(`${STATION_WORDS[station]}: ${fit.map((one) => passedWords(one)).join('; ')}.`)
						])
					),
					...pictures(
						record,
						passed.flatMap(({ fit }) => fit)
					)
				])
	];
}

/** What the inspection found, for the head of a report; empty where nothing was answered. */
export function inspectionSummary({ record, inspection }: VisitDocument): Block[] {
	const stops = inspectionOf(record, inspection).flatMap((segment) => segment.stops);
	const answers = stops.flatMap((stop) => stop.answers);
	if (answers.length === 0) return [];
	const counts = SEVERITIES.map((severity) => ({
		severity,
		count: answers.filter((entry) => entry.severity === severity).length
	})).filter(({ count }) => count > 0);
	const unseen = answers.filter(({ outcome }) => outcome === 'not-seen').length;
	const found =
		counts.length === 0
			? 'No defect was found'
			: `Defects: ${counts.map(({ severity, count }) => `${count} ${SEVERITY_WORDS[severity]}`).join(', ')}`;
	return [text(`${found}.${unseen > 0 ? ` Not inspected: ${unseen}.` : ''}`)];
}

const minor = (words: string): Block => ({ kind: 'heading', text: words, minor: true });
const list = (items: readonly Cell[]): Block => ({ kind: 'list', items });
const nameOf = ({ part, item }: InspectionStop) => `${part ? `${part.mark}: ` : ''}${item.words}`;

/** Where a defect is, in the language of the site; empty where it has no place of its own. */
function whereWords(record: ArrayRecord, place: InspectionEntry['place']): string {
	const where = placeOfDefect(record, place);
	return where ? speakFor(record.rules)(where) : '';
}

/** "≤ 30 V" */
function limitWords({ limit: { most, least }, unit }: MeasuredItem): string {
	return [
		most === undefined ? '' : `≤ ${most} ${unit}`,
		least === undefined ? '' : `≥ ${least} ${unit}`
	]
		.filter(Boolean)
		.join(', ');
}

/** The criterion never stands beside a failure without what was required and what was found. */
function defectCell(record: ArrayRecord, { entry, stop }: Told): Cell {
	const where = whereWords(record, entry.place) || stop.part?.mark;
	const infrared = entry.infrared ? ` ${scaleInfrared(entry.infrared).words}` : '';
	const found =
		entry.measured !== null && stop.measured
			? `${entry.measured} ${stop.measured.unit}`
			: `${entry.words}${infrared}`;
	const required =
		entry.measured !== null && stop.measured
			? `${stop.item.words}: ${limitWords(stop.measured)} (${stop.measured.source})`
			: stop.item.words;
	return cell(`${SEVERITY_WORDS[entry.severity!]}${where ? `, ${where}` : ''}. Found: ${found}`, [
		`Required: ${required}`
	]);
}

function passedWords({ entry, stop }: Told): string {
	const { measured } = stop;
	return entry.measured !== null && measured
		? `${nameOf(stop)}: ${entry.measured} ${measured.unit} (required ${limitWords(measured)})`
		: nameOf(stop);
}

function pictures(record: ArrayRecord, told: readonly Told[]): Block[] {
	const all = told.flatMap(({ entry, stop }) =>
		entry.photographs.map((id) => ({
			id,
			words: entry.words || `${nameOf(stop)} ${whereWords(record, entry.place)}`.trim()
		}))
	);
	return all.length === 0 ? [] : [{ kind: 'pictures', pictures: all }];
}
