import { cellKey, cellsOf, type Cell } from './field';
import type { Part } from './part';
import type { ArrayRecord, StringRecord } from './record';

/** Parts of a record by id; a list is never changed once it stands, so it is read once. */
const indexes = new WeakMap<readonly Part[], ReadonlyMap<string, Part>>();

function partsById(parts: readonly Part[]): ReadonlyMap<string, Part> {
	const index = indexes.get(parts) ?? new Map(parts.map((part) => [part.id, part]));
	indexes.set(parts, index);
	return index;
}

/** The parts from a start to the end of what is recorded, in the order of the energy. */
export function partsOnward(record: Pick<ArrayRecord, 'parts'>, start: string | null): Part[] {
	const byId = partsById(record.parts);
	const path: Part[] = [];
	let next = start;
	while (next !== null) {
		const part = byId.get(next);
		// A circle in the record ends the path rather than the program.
		if (!part || path.includes(part)) break;
		path.push(part);
		next = part.to;
	}
	return path;
}

/** Parts that turn the strings' power into something else: the path of an input ends there. */
const ENDS: readonly Part['kind'][] = ['inverter', 'charge-controller'];

/** The inverter or charge controller that a string runs to; null where the record does not say. */
export function endOfString(record: ArrayRecord, string: StringRecord): Part | null {
	return (
		partsOnward(record, string.to).find(({ kind }) => ENDS.includes(kind)) ??
		partOfInput(record, string.input)
	);
}

/** The part that has an input of this name. */
function partOfInput(record: ArrayRecord, input: string | null): Part | null {
	if (input === null) return null;
	const ends = record.parts.filter(({ kind }) => ENDS.includes(kind));
	return ends.find((part) => inputsOf(part).includes(input)) ?? null;
}

/** Names of a part's inputs, as marked on it. */
export function inputsOf(part: Part): readonly string[] {
	const typed = 'inputs' in part.specs ? part.specs.inputs : null;
	return typed === null
		? []
		: typed
				.split(',')
				.map((name) => name.trim())
				.filter(Boolean);
}

/** A module's way: which string, which number, and all that its current passes. */
export interface ModulePath {
	readonly string: StringRecord;
	/** 1 at the negative end. */
	readonly module: number;
	readonly parts: readonly Part[];
	readonly end: Part | null;
	readonly input: string | null;
}

export function pathOfModule(
	record: ArrayRecord,
	stringId: string,
	module: number
): ModulePath | null {
	const string = record.strings.find(({ id }) => id === stringId);
	if (!string) return null;
	const end = endOfString(record, string);
	const parts = partsOnward(record, string.to);
	return { string, module, parts, end, input: string.input };
}

/** Which module lies in each cell of the fields, by {@link cellKey}. */
export function occupants(
	record: Pick<ArrayRecord, 'strings'>
): ReadonlyMap<string, { readonly string: StringRecord; readonly module: number }> {
	const map = new Map<string, { string: StringRecord; module: number }>();
	for (const string of record.strings) {
		cellsOf(string.spans, string.moduleCount).forEach((cell, i) => {
			if (cell) map.set(cellKey(cell), { string, module: i + 1 });
		});
	}
	return map;
}

/**
 * Cells with a module that was counted and whose string nobody knows yet. Modules of recorded strings
 * that lie nowhere yet are among those that were counted, so as many cells are left out.
 */
export function uncertainCells(
	record: Pick<ArrayRecord, 'strings' | 'fields'>
): (Cell & { readonly moduleTypeId: string })[] {
	const taken = occupants(record);
	const inStrings = record.strings.reduce((sum, { moduleCount }) => sum + moduleCount, 0);
	const counted = record.fields.flatMap(({ id: field, rows, columns, countedTypeId }) => {
		if (countedTypeId === null) return [];
		return Array.from({ length: rows * columns }, (_, i) => ({
			field,
			row: Math.floor(i / columns),
			column: i % columns,
			moduleTypeId: countedTypeId
		})).filter((cell) => !taken.has(cellKey(cell)));
	});
	return counted.slice(0, Math.max(0, counted.length - (inStrings - taken.size)));
}

/** Cells of all modules that end at an input. */
export function cellsOfInput(record: ArrayRecord, input: string): Cell[] {
	return record.strings
		.filter((string) => string.input === input)
		.flatMap((string) => cellsOf(string.spans, string.moduleCount))
		.filter((cell) => cell !== null);
}
