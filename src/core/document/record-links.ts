import { type ArrayRecord, cellKey, cellsOf, type Field } from '../record';
import { RECORD_LIMITS } from './record-limits';

/* What a record's entries name in one another: each passes its own schema, and the whole may still not hold together. */

/** What does not hold together, and where. */
export interface BrokenLink {
	readonly path: readonly (string | number)[];
	readonly message: string;
}

/** What names something that is not there, and what stands twice. */
export function* brokenLinks(record: ArrayRecord): Generator<BrokenLink> {
	yield* brokenStrings(record);
	yield* brokenParts(record);
	yield* doubledCells(record);
	const types = new Set(record.moduleTypes.map(({ id }) => id));
	for (const [i, { name, countedTypeId }] of record.fields.entries()) {
		if (countedTypeId !== null && !types.has(countedTypeId)) {
			const message = `Field ${name} names a module type that the record does not hold.`;
			yield { path: ['fields', i, 'countedTypeId'], message };
		}
	}
}

function* brokenStrings({
	moduleTypes,
	strings,
	parts,
	fields
}: ArrayRecord): Generator<BrokenLink> {
	const types = new Set(moduleTypes.map(({ id }) => id));
	const known = new Set(parts.map(({ id }) => id));
	const planes = new Set(fields.map(({ id }) => id));
	const labels = new Set<string>();
	for (const [i, string] of strings.entries()) {
		const broken = (field: string, message: string) => ({
			path: ['strings', i, field],
			message: message.replace('%', string.label)
		});
		const named = [string.moduleTypeId, ...string.modules.map((m) => m.moduleTypeId)];
		if (named.some((id) => id !== null && !types.has(id))) {
			yield broken('moduleTypeId', 'String % names a module type that the record does not hold.');
		}
		if (labels.has(string.label)) {
			yield broken('label', 'Two strings carry the mark %. Give each its own.');
		}
		if (string.to !== null && !known.has(string.to)) {
			yield broken('to', 'String % leads to a part that the record does not hold.');
		}
		const devices = string.devices === 'unknown' ? null : string.devices;
		if (devices?.part && !known.has(devices.part)) {
			yield broken('devices', 'String % names a device that the record does not hold.');
		}
		if (string.spans.some(({ field }) => !planes.has(field))) {
			yield broken('spans', 'String % lies on a field that the record does not hold.');
		}
		if (string.modules.some(({ number }) => number > string.moduleCount)) {
			yield broken(
				'modules',
				`String % has ${string.moduleCount} modules; something is recorded of a higher number.`
			);
		}
		labels.add(string.label);
	}
}

function* brokenParts({ parts }: ArrayRecord): Generator<BrokenLink> {
	const known = new Map(parts.map((part) => [part.id, part]));
	for (const [i, part] of parts.entries()) {
		if (part.to === null) continue;
		if (!known.has(part.to)) {
			const message = `${part.mark} leads to a part that the record does not hold.`;
			yield { path: ['parts', i, 'to'], message };
		}
		const passed = new Set([part.id]);
		for (let next: string | null = part.to; next !== null; next = known.get(next)?.to ?? null) {
			if (passed.has(next)) {
				const message = `${part.mark} leads back to itself. Choose another part after it.`;
				yield { path: ['parts', i, 'to'], message };
				break;
			}
			passed.add(next);
		}
	}
}

function* doubledCells({ strings, fields }: ArrayRecord): Generator<BrokenLink> {
	const sizes = new Map(fields.map((field) => [field.id, field]));
	const taken = new Map<string, string>();
	for (const [i, { label, spans, moduleCount }] of strings.entries()) {
		// A count beyond its limits is refused by itself; cells are not laid out for it.
		if (spans.length === 0 || moduleCount < 1 || moduleCount > RECORD_LIMITS.modules.max) continue;
		for (const [m, cell] of cellsOf(spans, moduleCount).entries()) {
			if (!cell) continue;
			const path = ['strings', i, 'spans'];
			const field = sizes.get(cell.field);
			if (field && !isOn(field, cell)) {
				const message = `Module ${m + 1} of ${label} lies beyond the edge of ${field.name}.`;
				yield { path, message };
			}
			const key = cellKey(cell);
			const other = taken.get(key);
			if (other !== undefined) {
				const message = `Module ${m + 1} of ${label} lies where ${other} lies. Move one of them.`;
				yield { path, message };
			}
			taken.set(key, `module ${m + 1} of ${label}`);
		}
	}
}

function isOn({ rows, columns }: Field, { row, column }: { row: number; column: number }) {
	return row >= 0 && row < rows && column >= 0 && column < columns;
}
