import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord, testId } from '../../../tests/support/scenario';
import { applyChange, inverseOf, stillHolds, type ChangeStep } from './change';
import type { ArrayRecord } from './record';

const record = arrayRecord();
const [a, b] = record.strings;

const after = (base: ArrayRecord, change: readonly ChangeStep[]) => {
	const changed = applyChange(base, change);
	if (!changed.ok) throw new Error(changed.problem);
	return changed.value;
};
const labels = ({ strings }: ArrayRecord) => strings.map(({ label }) => label).join(' ');

/** Steps that each hold on a record with these strings. */
const anyStep = fc.oneof(
	fc.record({
		op: fc.constant('put' as const),
		list: fc.constant('strings' as const),
		value: fc
			.tuple(fc.constantFrom(...record.strings), fc.integer({ min: 1, max: 30 }))
			.map(([string, moduleCount]) => ({ ...string, moduleCount })),
		before: fc.constantFrom(undefined, null, ...record.strings.map(({ id }) => id))
	}),
	fc.record({
		op: fc.constant('put' as const),
		list: fc.constant('strings' as const),
		value: fc
			.integer({ min: 500, max: 505 })
			.map((n) => ({ ...a!, id: testId(n), label: `N${n}` })),
		before: fc.constantFrom(null, b!.id)
	}),
	fc.record({
		op: fc.constant('set' as const),
		fact: fc.constant('inServiceSince' as const),
		value: fc.integer({ min: 1990, max: 2026 })
	})
);

describe('a change of the record', () => {
	it('puts, moves and takes out', () => {
		const put: ChangeStep = { op: 'put', list: 'strings', value: b!, before: a!.id };
		expect(labels(after(record, [put]))).toMatch(new RegExp(`^${b!.label} ${a!.label} `));
		const gone = after(record, [{ op: 'remove', list: 'strings', id: a!.id }]);
		expect(gone.strings).toHaveLength(record.strings.length - 1);
		expect(applyChange(gone, [{ op: 'remove', list: 'strings', id: a!.id }])).toMatchObject({
			ok: false
		});
	});

	it('is taken back whole by its inverse', () => {
		fc.assert(
			fc.property(fc.array(anyStep, { minLength: 1, maxLength: 8 }), (steps) => {
				const changed = after(record, steps);
				expect(after(changed, inverseOf(record, steps))).toEqual(record);
			})
		);
	});

	it('still holds where others changed something else, and not where they changed the same', () => {
		const mine: ChangeStep = { op: 'put', list: 'strings', value: { ...a!, moduleCount: 11 } };
		const theirs = (string: typeof a) =>
			after(record, [{ op: 'put', list: 'strings', value: { ...string!, moduleCount: 9 } }]);
		expect(stillHolds(record, theirs(b), [mine])).toBe(true);
		expect(stillHolds(record, theirs(a), [mine])).toBe(false);
	});
});
