import { refuse, type Result, succeed } from '../units';
import type { ChangeStep, RecordChange } from './change';
import { cellKey, cellsOf, MOVE, spansOf, type Cell, type Field, type Step } from './field';
import { occupants } from './path';
import type { ArrayRecord, StringRecord } from './record';

function isOn({ rows, columns }: Field, { row, column }: Cell): boolean {
	return row >= 0 && row < rows && column >= 0 && column < columns;
}

function putCells(string: StringRecord, cells: readonly (Cell | null)[]): ChangeStep {
	return { op: 'put', list: 'strings', value: { ...string, spans: spansOf(cells) } };
}

function stringOf(record: ArrayRecord, id: string): StringRecord | undefined {
	return record.strings.find((string) => string.id === id);
}

/** Numbers of the modules of a string that lie nowhere yet. */
export function unplaced(string: StringRecord): number[] {
	return cellsOf(string.spans, string.moduleCount).flatMap((cell, i) => (cell ? [] : [i + 1]));
}

/**
 * Lays the modules of a string that lie nowhere yet, in order, from a cell on in one direction, up to
 * the first cell that is taken or beyond the edge.
 */
export function layRun(
	record: ArrayRecord,
	stringId: string,
	start: Cell,
	step: Step
): Result<{ readonly change: RecordChange; readonly laid: number; readonly left: number }, string> {
	const string = stringOf(record, stringId);
	const field = record.fields.find(({ id }) => id === start.field);
	if (!string || !field) return refuse('This string or field is no longer in the record.');
	const waiting = unplaced(string);
	if (waiting.length === 0)
		return refuse(`All modules of ${string.label} lie on the plan already.`);
	const taken = occupants(record);
	const cells = cellsOf(string.spans, string.moduleCount);
	const [down, right] = MOVE[step];
	let laid = 0;
	for (const number of waiting) {
		const cell = { ...start, row: start.row + laid * down, column: start.column + laid * right };
		if (!isOn(field, cell) || taken.has(cellKey(cell))) break;
		cells[number - 1] = cell;
		laid++;
	}
	if (laid === 0) return refuse('Another module lies there. Start on a free place.');
	return succeed({ change: [putCells(string, cells)], laid, left: waiting.length - laid });
}

/** Moves one module to a cell; a module that lies there takes its place. */
export function moveModule(
	record: ArrayRecord,
	from: Cell,
	to: Cell
): Result<RecordChange, string> {
	const field = record.fields.find(({ id }) => id === to.field);
	if (!field || !isOn(field, to))
		return refuse('That is beyond the edge: the module stays where it was.');
	const taken = occupants(record);
	const moved = taken.get(cellKey(from));
	if (!moved) return refuse('No module lies there any more.');
	if (cellKey(from) === cellKey(to)) return succeed([]);
	const other = taken.get(cellKey(to));
	const cells = cellsOf(moved.string.spans, moved.string.moduleCount);
	cells[moved.module - 1] = to;
	if (!other) return succeed([putCells(moved.string, cells)]);
	if (other.string === moved.string) {
		cells[other.module - 1] = from;
		return succeed([putCells(moved.string, cells)]);
	}
	const others = cellsOf(other.string.spans, other.string.moduleCount);
	others[other.module - 1] = from;
	return succeed([putCells(moved.string, cells), putCells(other.string, others)]);
}

/** Takes one module, or all of its string, off the plan; the string keeps them. */
export function liftModules(
	record: ArrayRecord,
	stringId: string,
	module: number | null
): Result<RecordChange, string> {
	const string = stringOf(record, stringId);
	if (!string) return refuse('This string is no longer in the record.');
	const cells = cellsOf(string.spans, string.moduleCount).map((cell, i) =>
		module === null || i + 1 === module ? null : cell
	);
	return succeed([putCells(string, cells)]);
}

/** A mark that no string carries yet, counting up from another: A4 after A3. */
export function nextLabel(record: ArrayRecord, after: string): string {
	const taken = new Set(record.strings.map(({ label }) => label));
	const [digits = ''] = /(?<!\d)\d+$/.exec(after) ?? [];
	const head = after.slice(0, after.length - digits.length);
	for (let n = digits === '' ? 2 : Number(digits) + 1; ; n++) {
		const label = `${head}${n}`;
		if (!taken.has(label)) return label;
	}
}

/** Adds a copy of a string after it, with a mark of its own; serials and places are not copied. */
export function duplicateString(
	record: ArrayRecord,
	stringId: string,
	newId: string
): Result<{ readonly change: RecordChange; readonly label: string }, string> {
	const at = record.strings.findIndex(({ id }) => id === stringId);
	const string = record.strings[at];
	if (!string) return refuse('This string is no longer in the record.');
	const label = nextLabel(record, string.label);
	const modules = string.modules
		.filter(({ moduleTypeId }) => moduleTypeId !== null)
		.map((module) => ({ ...module, serial: null, deviceCode: null }));
	const value: StringRecord = { ...string, id: newId, label, modules, spans: [] };
	const before = record.strings[at + 1]?.id ?? null;
	return succeed({ change: [{ op: 'put', list: 'strings', value, before }], label });
}
