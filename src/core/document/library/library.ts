import { z } from 'zod';
import {
	type ModuleType,
	type Part,
	type NameOfPart,
	PART_KINDS,
	type PartFields,
	type PartKind,
	type Specs
} from '../../record';
import { refuse, type Result, succeed } from '../../units';
import { problemOf, readJsonText, type Problem } from '../file';
import { moduleTypeSchema, shortText, specsSchema } from '../record';

/** Kinds of parts of which one keeps types in the library. */
export const LIBRARY_PARTS = [
	'inverter',
	'charge-controller',
	'rapid-shutdown-device',
	'optimiser',
	'micro-inverter',
	'battery',
	'combiner',
	'dc-disconnect'
] as const satisfies readonly PartKind[];
export type LibraryPart = (typeof LIBRARY_PARTS)[number];

/** A measuring instrument: what it may be put on, and how far it is off. */
const INSTRUMENT_FIELDS = {
	ratedVolts: { type: 'figure', words: 'Rated DC', unit: 'V', min: 10, max: 3000, help: '' },
	category: {
		type: 'choice',
		words: 'Category',
		options: ['CAT II', 'CAT III', 'CAT IV'],
		help: ''
	},
	voltsPct: { type: 'figure', words: 'Volts, ± of reading', unit: '%', min: 0, max: 20, help: '' },
	voltsCounts: { type: 'figure', words: 'Volts, ± counts', unit: '', min: 0, max: 200, help: '' },
	voltsResolution: {
		type: 'figure',
		words: 'Volts, one count',
		unit: 'V',
		min: 0.0001,
		max: 10,
		help: ''
	},
	ampsPct: { type: 'figure', words: 'Amps, ± of reading', unit: '%', min: 0, max: 20, help: '' },
	ampsCounts: { type: 'figure', words: 'Amps, ± counts', unit: '', min: 0, max: 200, help: '' },
	ampsResolution: {
		type: 'figure',
		words: 'Amps, one count',
		unit: 'A',
		min: 0.0001,
		max: 10,
		help: ''
	}
} as const satisfies PartFields;
type InstrumentSpecs = { readonly [F in keyof typeof INSTRUMENT_FIELDS]: number | string | null };

/** A type that one meets again: of modules, of parts, or of instruments. */
export type LibraryEntry =
	| ({ readonly kind: 'module' } & ModuleType)
	| {
			readonly kind: 'instrument';
			readonly id: string;
			readonly name: string;
			readonly specs: InstrumentSpecs;
	  }
	| {
			[K in LibraryPart]: {
				readonly kind: K;
				readonly id: string;
				readonly name: string;
				readonly specs: Specs<K>;
			};
	  }[LibraryPart];
export type LibraryKind = LibraryEntry['kind'];
export const LIBRARY_KINDS: readonly LibraryKind[] = ['module', ...LIBRARY_PARTS, 'instrument'];

/** @param nameOfPart name of a kind of part in the language of who reads it */
export function libraryKindWords(kind: LibraryKind, nameOfPart: NameOfPart): string {
	if (kind === 'module') return 'Module';
	return kind === 'instrument' ? 'Meter' : nameOfPart(kind);
}

/** Fields of every kind but modules, which have a label. */
export function libraryFields(kind: Exclude<LibraryKind, 'module'>): PartFields {
	return kind === 'instrument' ? INSTRUMENT_FIELDS : PART_KINDS[kind].fields;
}

const named = { id: z.uuid(), name: shortText(80) };
const entrySchemas = [
	moduleTypeSchema.extend({ kind: z.literal('module') }),
	...[...LIBRARY_PARTS, 'instrument' as const].map((kind) =>
		z.strictObject({ ...named, kind: z.literal(kind), specs: specsSchema(libraryFields(kind)) })
	)
] as const;

export const libraryEntrySchema = z.discriminatedUnion(
	'kind',
	entrySchemas as unknown as [(typeof entrySchemas)[0], ...(typeof entrySchemas)[0][]]
) as unknown as z.ZodType<LibraryEntry>;

const LIBRARY_FORMAT = 'zembo-library';
const LIBRARY_VERSION = 1;
const librarySchema = z.strictObject({
	format: z.literal(LIBRARY_FORMAT),
	version: z.literal(LIBRARY_VERSION),
	entries: z.array(libraryEntrySchema).max(20_000)
});

/** The library as a file's text. */
export function writeLibrary(entries: readonly LibraryEntry[]): string {
	const document = { format: LIBRARY_FORMAT, version: LIBRARY_VERSION, entries };
	return `${JSON.stringify(document, null, '\t')}\n`;
}

/** Entries of a library file. */
export function readLibrary(text: string): Result<LibraryEntry[], Problem> {
	const data = readJsonText(text, 'Choose a library that Zembo wrote, or a CSV of modules.');
	if (!data.ok) return data;
	const parsed = librarySchema.safeParse(data.value);
	return parsed.success ? succeed([...parsed.data.entries]) : refuse(problemOf(parsed.error));
}

/** A part of a record made from a library entry; its mark and place are still to be given. */
export function partOfEntry(
	entry: Exclude<LibraryEntry, { kind: 'module' | 'instrument' }>,
	id: string,
	mark: string
): Part {
	const { kind, name, specs } = entry;
	return { id, kind, mark, place: null, model: name, serial: null, to: null, specs } as Part;
}
