import { refuse, type Result, succeed } from '../units';
import type { Field } from './field';
import type { Part, PartKind } from './part';
import type { ArrayRecord, ModuleType, SiteRules, StringRecord, System } from './record';

/*
 * A change of the record, small enough that two people may each make one: it says which entries it
 * touches, and holds on a record where those are as they were. Its inverse is a change too, which is
 * what undo sends.
 */

interface Lists {
	readonly moduleTypes: ModuleType;
	readonly strings: StringRecord;
	readonly parts: Part;
	readonly fields: Field;
}
type ListName = keyof Lists;

interface Facts {
	readonly system: System | null;
	readonly rules: SiteRules;
	readonly absent: readonly PartKind[];
	readonly inServiceSince: number | null;
	readonly location: ArrayRecord['location'];
	readonly rates: ArrayRecord['rates'];
}
type FactName = keyof Facts;

/** Puts an entry in, new or in place of the one with its id, ahead of `before` or at the end. */
type Put = {
	readonly [L in ListName]: {
		readonly op: 'put';
		readonly list: L;
		readonly value: Lists[L];
		/** Id of the entry it goes ahead of; absent where an entry keeps its place. */
		readonly before?: string | null | undefined;
	};
}[ListName];

interface Remove {
	readonly op: 'remove';
	readonly list: ListName;
	readonly id: string;
}

type SetFact = {
	readonly [F in FactName]: { readonly op: 'set'; readonly fact: F; readonly value: Facts[F] };
}[FactName];

export type ChangeStep = Put | Remove | SetFact;
/** Steps that belong together: all of them, or none. */
export type RecordChange = readonly ChangeStep[];

function withEntry<L extends ListName>(record: ArrayRecord, step: Extract<Put, { list: L }>) {
	const { list, value, before } = step as Put;
	const entries = record[list] as readonly { id: string }[];
	const at = entries.findIndex(({ id }) => id === value.id);
	if (at >= 0 && before === undefined) {
		return { ...record, [list]: entries.map((entry, i) => (i === at ? value : entry)) };
	}
	const others = entries.filter(({ id }) => id !== value.id);
	const goal = before ? others.findIndex(({ id }) => id === before) : -1;
	const place = goal < 0 ? others.length : goal;
	return { ...record, [list]: [...others.slice(0, place), value, ...others.slice(place)] };
}

function applyStep(record: ArrayRecord, step: ChangeStep): Result<ArrayRecord, string> {
	switch (step.op) {
		case 'put':
			return succeed(withEntry(record, step));
		case 'set':
			return succeed({ ...record, [step.fact]: step.value });
		case 'remove': {
			const entries = record[step.list] as readonly { id: string }[];
			if (!entries.some(({ id }) => id === step.id)) {
				return refuse('What was to be taken out is no longer in the record.');
			}
			return succeed({ ...record, [step.list]: entries.filter(({ id }) => id !== step.id) });
		}
	}
}

/** The record after a change; words where the change finds nothing to act on. */
export function applyChange(
	record: ArrayRecord,
	change: RecordChange
): Result<ArrayRecord, string> {
	let changed = record;
	for (const step of change) {
		const next = applyStep(changed, step);
		if (!next.ok) return next;
		changed = next.value;
	}
	return succeed(changed);
}

/** What takes a change back, on the record it was made from. */
export function inverseOf(record: ArrayRecord, change: RecordChange): RecordChange {
	const inverse: ChangeStep[] = [];
	let before = record;
	for (const step of change) {
		inverse.unshift(inverseStep(before, step));
		const next = applyStep(before, step);
		if (next.ok) before = next.value;
	}
	return inverse;
}

function inverseStep(record: ArrayRecord, step: ChangeStep): ChangeStep {
	if (step.op === 'set') {
		return { op: 'set', fact: step.fact, value: record[step.fact] } as SetFact;
	}
	const id = step.op === 'put' ? step.value.id : step.id;
	const entries = record[step.list] as readonly { id: string }[];
	const at = entries.findIndex((entry) => entry.id === id);
	if (at < 0) return { op: 'remove', list: step.list, id };
	const before = entries[at + 1]?.id ?? null;
	const put = { op: 'put', list: step.list, value: entries[at]! };
	// An entry that kept its place keeps it on the way back, wherever others went meanwhile.
	const stayed = step.op === 'put' && step.before === undefined;
	return (stayed ? put : { ...put, before }) as Put;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * Whether a change that was made from one record still means the same on a newer one: everything it
 * touches is as it was.
 */
export function stillHolds(base: ArrayRecord, newest: ArrayRecord, change: RecordChange): boolean {
	return change.every((step) => {
		if (step.op === 'set') return same(base[step.fact], newest[step.fact]);
		const id = step.op === 'put' ? step.value.id : step.id;
		const entry = (record: ArrayRecord) =>
			(record[step.list] as readonly { id: string }[]).find((candidate) => candidate.id === id);
		return same(entry(base), entry(newest));
	});
}
