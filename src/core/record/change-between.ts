import type { ChangeStep, RecordChange } from './change';
import type { ArrayRecord } from './record';

const LISTS = ['moduleTypes', 'fields', 'strings', 'parts'] as const;
const FACTS = ['system', 'rules', 'absent', 'inServiceSince', 'location', 'rates'] as const;

const same = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/**
 * The change that makes one record into another, to the last field and the order of every list.
 *
 * @returns in an order in which every step can be taken: what is named by others is put first and
 *   removed last; empty where the records are alike
 */
export function changeBetween(before: ArrayRecord, after: ArrayRecord): RecordChange {
	const puts = LISTS.flatMap((list) => putsOf(list, before[list], after[list]));
	const removed = LISTS.toReversed().flatMap((list) => {
		const kept = new Set(after[list].map(({ id }) => id));
		return before[list]
			.filter(({ id }) => !kept.has(id))
			.map(({ id }): ChangeStep => ({ op: 'remove', list, id }));
	});
	const facts = FACTS.filter((fact) => !same(before[fact], after[fact])).map(
		(fact) => ({ op: 'set', fact, value: after[fact] }) as ChangeStep
	);
	return [...puts, ...removed, ...facts];
}

interface Entry {
	readonly id: string;
}

/** From the end to the beginning, so that what an entry goes ahead of stands already where it belongs. */
function putsOf(
	list: (typeof LISTS)[number],
	before: readonly Entry[],
	after: readonly Entry[]
): ChangeStep[] {
	const old = new Map(before.map((entry) => [entry.id, entry]));
	const there = new Set(after.map(({ id }) => id));
	const orderBefore = before.filter(({ id }) => there.has(id)).map(({ id }) => id);
	const orderAfter = after.filter(({ id }) => old.has(id)).map(({ id }) => id);
	const moved = !same(orderBefore, orderAfter);
	const steps: ChangeStep[] = [];
	for (let i = after.length - 1; i >= 0; i--) {
		const value = after[i]!;
		const was = old.get(value.id);
		const put = { op: 'put' as const, list, value };
		if (!was || moved) {
			steps.push({ ...put, before: after[i + 1]?.id ?? null } as ChangeStep);
		} else if (!same(was, value)) steps.push(put as ChangeStep);
	}
	return steps;
}
