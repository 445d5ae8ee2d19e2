import { checkLabel, TECHNOLOGIES, type Technology } from '../../module';
import { RECORD_LIMITS } from '../record-limits';
import type { SpecField } from '../../record';
import { libraryFields, type LibraryEntry, type LibraryKind } from '../library/library';
import {
	figureCell,
	textCell,
	wordCell,
	type Column,
	type Columns,
	type ReadLine,
	type RefusedLine
} from './table';

type OtherKind = Exclude<LibraryKind, 'module'>;

const figureColumn = (
	heading: string,
	aliases: readonly string[],
	limits: Parameters<typeof figureCell>[0],
	required = true
): Column<number> => ({ heading, aliases, required, read: figureCell(limits) });

const KINDS = Object.fromEntries(TECHNOLOGIES.map((kind) => [kind.toLowerCase(), kind])) as Record<
	string,
	Technology
>;

/** Columns of a list of module types. */
export const MODULE_TYPE_COLUMNS = {
	name: {
		heading: 'Name',
		aliases: ['model', 'type', 'module'],
		required: true,
		read: textCell(80)
	} as Column<string>,
	technology: {
		heading: 'Technology',
		aliases: ['cells', 'cell type'],
		required: false,
		read: wordCell(KINDS)
	} as Column<Technology>,
	cellsInSeries: figureColumn('Cells in series', ['cells in series', 'ns'], RECORD_LIMITS.cells),
	sections: figureColumn('Sections', ['diodes', 'bypass diodes'], RECORD_LIMITS.sections, false),
	pmax: figureColumn('Pmax (W)', ['power', 'pmpp', 'wp', 'watts'], RECORD_LIMITS.watts),
	vmp: figureColumn('Vmp (V)', ['vmpp', 'umpp'], RECORD_LIMITS.volts),
	imp: figureColumn('Imp (A)', ['impp'], RECORD_LIMITS.amps),
	voc: figureColumn('Voc (V)', ['uoc'], RECORD_LIMITS.volts),
	isc: figureColumn('Isc (A)', [], RECORD_LIMITS.amps),
	alpha: figureColumn(
		'alpha Isc (%/K)',
		['alpha isc', 'tk isc'],
		RECORD_LIMITS.alphaIscPctPerK,
		false
	),
	beta: figureColumn('beta Voc (%/K)', ['beta voc', 'tk voc'], RECORD_LIMITS.betaVocPctPerK, false),
	systemVolts: figureColumn(
		'System voltage (V)',
		['max system voltage'],
		RECORD_LIMITS.systemVolts,
		false
	),
	seriesFuse: figureColumn(
		'Series fuse (A)',
		['max series fuse', 'fuse'],
		RECORD_LIMITS.seriesFuse,
		false
	)
} as const;

export interface ModuleTypeImport {
	readonly entries: readonly LibraryEntry[];
	readonly refused: readonly RefusedLine[];
}

/** Library entries of a list of module types; a label that contradicts itself is refused with the reason. */
export function importModuleTypes(
	lines: readonly ReadLine<typeof MODULE_TYPE_COLUMNS>[],
	newId: () => string
): ModuleTypeImport {
	const entries: LibraryEntry[] = [];
	const refused: RefusedLine[] = [];
	for (const { line, values } of lines) {
		const nameplate = {
			technology: values.technology ?? 'mono-PERC',
			cellsInSeries: values.cellsInSeries!,
			sections: values.sections ?? 3,
			pmax: values.pmax!,
			vmp: values.vmp!,
			imp: values.imp!,
			voc: values.voc!,
			isc: values.isc!,
			alphaIscPctPerK: values.alpha,
			betaVocPctPerK: values.beta
		};
		const wrong = checkLabel(nameplate).find(({ severity }) => severity === 'error');
		if (wrong) {
			refused.push({ line, why: wrong.words });
			continue;
		}
		entries.push({
			kind: 'module',
			id: newId(),
			name: values.name!,
			plate: nameplate,
			tolerance: { vocPct: 2, iscPct: 3 },
			limits: {
				systemVolts: values.systemVolts,
				seriesFuse: values.seriesFuse,
				bifacial: null,
				rearGainPct: null
			}
		});
	}
	return { entries, refused };
}

/** The module types of a library as lines under {@link MODULE_TYPE_COLUMNS}. */
export function moduleTypeRows(entries: readonly LibraryEntry[]): string[][] {
	const head = Object.values(MODULE_TYPE_COLUMNS).map(({ heading }) => heading);
	const said = (value: number | null) => (value === null ? '' : String(value));
	const rows = entries.flatMap((entry) => {
		if (entry.kind !== 'module') return [];
		const { name, plate: nameplate, limits } = entry;
		return [
			[
				name,
				nameplate.technology,
				...[
					nameplate.cellsInSeries,
					nameplate.sections,
					nameplate.pmax,
					nameplate.vmp,
					nameplate.imp,
					nameplate.voc,
					nameplate.isc
				].map(String),
				said(nameplate.alphaIscPctPerK),
				said(nameplate.betaVocPctPerK),
				said(limits.systemVolts),
				said(limits.seriesFuse)
			]
		];
	});
	return [head, ...rows];
}

const NAME: Column<string> = {
	heading: 'Name',
	aliases: ['model', 'type'],
	required: true,
	read: textCell(80)
};

/** "Highest DC (V)". */
function headingOf({ words, ...field }: SpecField): string {
	return field.type === 'figure' && field.unit ? `${words} (${field.unit})` : words;
}

function cellOf(field: SpecField): Column<string | number>['read'] {
	switch (field.type) {
		case 'figure':
			return figureCell(field);
		case 'text':
			return textCell(120);
		case 'choice':
			return wordCell(Object.fromEntries(field.options.map((word) => [word.toLowerCase(), word])));
	}
}

/** Columns of a list of types of one kind but modules, out of the table of its fields. */
export function typeColumns(kind: OtherKind): { readonly name: Column<string> } & Columns {
	const fields = Object.entries(libraryFields(kind)).map(([key, field]) => [
		key,
		{ heading: headingOf(field), aliases: [], required: false, read: cellOf(field) }
	]);
	return { name: NAME, ...(Object.fromEntries(fields) as Columns) };
}

/** Library entries of a list of types of one kind. */
export function typesOfLines(
	kind: OtherKind,
	lines: readonly { readonly values: Readonly<Record<string, unknown>> }[],
	newId: () => string
): LibraryEntry[] {
	return lines.map(({ values: { name, ...specs } }) => {
		return { kind, id: newId(), name, specs } as LibraryEntry;
	});
}

/** The types of one kind as lines under {@link typeColumns}. */
export function typeRows(kind: OtherKind, entries: readonly LibraryEntry[]): string[][] {
	const fields = Object.entries(libraryFields(kind));
	const head = ['Name', ...fields.map(([, field]) => headingOf(field))];
	const rows = entries.flatMap((entry) => {
		if (entry.kind !== kind) return [];
		const specs = entry.specs as Readonly<Record<string, string | number | null>>;
		return [[entry.name, ...fields.map(([key]) => String(specs[key] ?? ''))]];
	});
	return [head, ...rows];
}
