import { describe, expect, it } from 'vitest';
import { SALTMARSH } from '../../../tests/support/sites';
import type { ArrayRecord } from '../record';
import { carriedOver } from './carried-over';
import { partCode } from '../../../tests/support/part-codes';

const { record } = SALTMARSH;
const a4 = record.strings.find(({ label }) => label === 'A4')!;

describe('a visit beside a newer record', () => {
	it('lists what the record changed and what is judged differently', () => {
		// The drawing said twelve; somebody counted eleven.
		const counted: ArrayRecord = {
			...record,
			strings: record.strings.map((string) =>
				string === a4 ? { ...string, moduleCount: 11, spans: [] } : string
			)
		};
		const { record: changes, verdicts, obstacles } = carriedOver(SALTMARSH, counted, partCode);
		expect(obstacles).toEqual([]);
		expect(changes.join()).toContain('A4');
		expect(verdicts).toContainEqual(
			expect.objectContaining({
				place: { kind: 'string', string: a4.id },
				quantity: 'open-circuit-voltage',
				before: 'fail',
				after: 'pass'
			})
		);
	});

	it('changes nothing where the record did not change', () => {
		const { record: changes, verdicts, firstCause } = carriedOver(SALTMARSH, record, partCode);
		expect(changes).toEqual([]);
		expect(verdicts).toEqual([]);
		expect(firstCause.before).toBe(firstCause.after);
	});

	it('stays with its record where a string with readings is gone from the new one', () => {
		const without = { ...record, strings: record.strings.filter((string) => string !== a4) };
		expect(carriedOver(SALTMARSH, without, partCode).obstacles).toHaveLength(1);
	});
});
