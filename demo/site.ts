import { FORMAT, VERSION, type VisitDocument, writeVisitDocument } from '$core/document';
import { emptyVisit } from '$core/visit';
import {
	type ArrayRecord,
	type Field,
	type ModuleType,
	type PartKind,
	type PartOf,
	type Specs,
	type StringRecord,
	unknownSpecs,
	UNSEEN_STRING
} from '$core/record';
import { type InspectionEntry, inspectionOf } from '$core/inspection';
import type { MeterDay, PlantedDay } from './readings';

/* What the demo's sites are made of. Ids count up within a site, so that the files stay the same. */

/** Ids of one site; each site has a block of its own. */
export function idsOf(block: number): (n: number) => string {
	return (n) =>
		`019a8${block.toString(16).padStart(3, '0')}-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;
}

/** Ids of a later visit of a site: its own where it has entries of its own, the site's for the rest. */
export function idsOfVisit(block: number, visit: number): (n: number) => string {
	const id = idsOf(block);
	return (n) => (n === 1 || n === 2 || n === 3 ? id(n) : id(0x1000 * visit + n));
}

/** A part of which only what is said here is known. */
export function part<K extends PartKind>(
	id: string,
	kind: K,
	mark: string,
	known: {
		readonly place?: string;
		readonly model?: string;
		readonly serial?: string;
		readonly to?: string;
		readonly specs?: Partial<Specs<K>>;
	}
): PartOf<K> {
	return {
		id,
		kind,
		mark,
		place: known.place ?? null,
		model: known.model ?? null,
		serial: known.serial ?? null,
		to: known.to ?? null,
		specs: { ...unknownSpecs(kind), ...known.specs }
	} as unknown as PartOf<K>;
}

export function field(
	id: string,
	name: string,
	rows: number,
	columns: number,
	tilt: number,
	azimuth: number,
	lying = false
): Field {
	return { id, name, rows, columns, tilt, azimuth, lying, countedTypeId: null };
}

type Known = Pick<StringRecord, 'id' | 'label' | 'moduleTypeId' | 'moduleCount' | 'input'> &
	Partial<StringRecord>;

/** A string with nothing behind its modules unless said. */
export function string(known: Known): StringRecord {
	return {
		...UNSEEN_STRING,
		blockingDiode: 'none',
		devices: null,
		fuse: null,
		cableResistance: 0.3,
		...known
	};
}

/** A row of a field, from one end to the other. */
export function row(
	field: string,
	at: number,
	column: number,
	count: number,
	step: 'left' | 'right' = 'right'
) {
	return [{ from: 1, count, field, row: at, column, step }] as const;
}

export function moduleType(
	id: string,
	name: string,
	nameplate: ModuleType['plate'],
	limits: ModuleType['limits']
): ModuleType {
	return { id, name, plate: nameplate, tolerance: { vocPct: 2, iscPct: 3 }, limits };
}

/** Serials as a maker prints them, invented. */
export function serials(
	prefix: string,
	from: number,
	count: number,
	year: number
): StringRecord['modules'] {
	return Array.from({ length: count }, (_, i) => ({
		number: i + 1,
		serial: `${prefix}${String(from + i * 7).padStart(6, '0')}`,
		deviceCode: null,
		year,
		state: 'in-service' as const,
		moduleTypeId: null
	}));
}

export type Exception = Pick<InspectionEntry, 'outcome' | 'words'> &
	Partial<Pick<InspectionEntry, 'severity' | 'place' | 'infrared' | 'photographs' | 'measured'>>;

/**
 * A whole walk: every stop fits but those that are named, by the start of their key.
 *
 * @param measured figures of stops that are measured, by the start of their key
 */
export function walk(
	record: ArrayRecord,
	id: (n: number) => string,
	start: string,
	by: string,
	exceptions: Readonly<Record<string, Exception>>,
	measured: Readonly<Record<string, number>> = {}
): InspectionEntry[] {
	const stops = inspectionOf(record, []).flatMap((segment) => segment.stops);
	return stops.map((stop, i) => {
		const key = (table: Readonly<Record<string, unknown>>) =>
			Object.keys(table).find((name) => stop.key === name || stop.key.startsWith(`${name}/`));
		const named = key(exceptions);
		const exception = named === undefined ? undefined : exceptions[named];
		const figure = key(measured);
		return {
			id: id(0x800 + i),
			stop: stop.key,
			outcome: exception?.outcome ?? 'fits',
			severity: exception?.severity ?? (exception?.outcome === 'finding' ? 'mend-soon' : null),
			place: exception?.place ?? (stop.part ? { kind: 'part', partId: stop.part.id } : null),
			words: exception?.words ?? '',
			measured: exception?.measured ?? (figure === undefined ? null : measured[figure]!),
			infrared: exception?.infrared ?? null,
			photographs: exception?.photographs ?? [],
			at: new Date(Date.parse(start) + (10 + i) * 60_000).toISOString(),
			by,
			supersedes: null,
			withdrawn: false
		};
	});
}

/** A visit that inspects, as a file. */
export function inspectionVisit(
	site: VisitDocument['site'],
	id: (n: number) => string,
	record: ArrayRecord,
	visit: { readonly start: string; readonly by: string; readonly reason: string },
	inspection: readonly InspectionEntry[]
): string {
	return writeVisitDocument({
		format: FORMAT,
		version: VERSION,
		site,
		revision: {
			id: id(3),
			number: 1,
			createdAt: new Date(Date.parse(visit.start) - 86_400_000).toISOString()
		},
		record: structuredClone(record) as VisitDocument['record'],
		visit: structuredClone(
			emptyVisit({
				id: id(4),
				startedAt: visit.start,
				by: visit.by,
				purpose: 'take-over',
				reason: visit.reason
			})
		) as VisitDocument['visit'],
		inspection,
		photographs: []
	});
}

/** A visit in which a planted array was read, as a file. */
export function readingsVisit(
	site: VisitDocument['site'],
	id: (n: number) => string,
	record: ArrayRecord,
	day: Pick<PlantedDay, 'start' | 'by'> & {
		readonly reason: string;
		readonly inverterSays: string;
		/** When the record was made. */
		readonly recordedAt: string;
	},
	meters: MeterDay
): string {
	const { start, by, reason, inverterSays, recordedAt } = day;
	const visit = structuredClone(
		emptyVisit({ id: id(4), startedAt: start, by, purpose: 'fault', reason })
	) as VisitDocument['visit'];
	return writeVisitDocument({
		format: FORMAT,
		version: VERSION,
		site,
		revision: { id: id(3), number: 1, createdAt: recordedAt },
		record: structuredClone(record) as VisitDocument['record'],
		visit: { ...visit, inverterSays, ...meters },
		inspection: [],
		photographs: []
	});
}

/** A type that two of the sites have, under an id of each. */
export function lintwhite370(id: string): ModuleType {
	return moduleType(
		id,
		'Lintwhite 370 H60',
		{
			technology: 'mono-PERC',
			cellsInSeries: 60,
			sections: 3,
			pmax: 370,
			vmp: 34.3,
			imp: 10.79,
			voc: 41.1,
			isc: 11.4,
			alphaIscPctPerK: 0.05,
			betaVocPctPerK: -0.28
		},
		{ systemVolts: 1000, seriesFuse: 20, bifacial: false, rearGainPct: null }
	);
}
