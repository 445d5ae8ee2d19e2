import { describe, expect, it } from 'vitest';
import { cairnRiggBatch } from '../../../../demo/module-batch';
import { testId } from '../../../../tests/support/scenario';
import { EMPTY_BATCH } from '../../bench';
import { batchSchema, BATCH_LIMITS } from '../module-batch';
import { importTests, BATCH_COLUMNS } from './module-batch';
import { matchColumns, readTable } from './table';

const NOW = '2026-06-01T10:00:00.000Z';
let made = 0;
const newId = () => testId(0xa000 + made++);
function imported(rows: string[][], head: string[], batch = EMPTY_BATCH) {
	const { lines, refused } = readTable(rows, matchColumns(head, BATCH_COLUMNS), BATCH_COLUMNS);
	const done = importTests(batch, lines, NOW, newId);
	return { ...done, refused: [...refused, ...done.refused] };
}
const HEAD = ['Module', 'Label power, W', 'Volts', 'Amps', 'Watts', 'Time'];

describe('a list of tests', () => {
	it('makes modules of marks, and takes of lines, and reads units that stand in cells', () => {
		const { modules, added, takes, refused } = imported(
			[
				['1', '225 W', '36.1', '6.5', '', '2026-06-01 10:05'],
				['1', '', '36100 mV', '6500mA', '', '2026-06-01T10:06:00Z'],
				['2', '0.25 kW', '', '', '180', ''],
				['', '', '', '', '', '']
			],
			HEAD
		);
		expect(refused).toEqual([]);
		expect([added, takes]).toEqual([2, 3]);
		expect(modules[0]!.takes).toMatchObject([
			{ volts: 36.1, amps: 6.5, at: '2026-06-01T10:05:00.000Z' },
			{ volts: 36.1, amps: 6.5, at: '2026-06-01T10:06:00.000Z' }
		]);
		expect(modules[1]).toMatchObject({ label: { pmax: 250 }, takes: [{ watts: 180, at: NOW }] });
	});

	it('refuses a figure in the wrong column, a time that is none, and a label that changes', () => {
		const { refused } = imported(
			[
				['1', '225', '36', '95 W', '', ''],
				['2', '', '36', '6', '', 'noon'],
				['3', '225', '36', '6', '', ''],
				['3', '250', '36', '6', '', ''],
				['4', '', '3600', '6', '', '']
			],
			HEAD
		);
		const why = Object.fromEntries(refused.map((one) => [one.line, one.why]));
		expect(why[2]).toContain('not in amps');
		expect(why[3]).toContain('is no time');
		expect(why[5]).toContain('has a label of 225 W in the batch and 250 W here');
		expect(why[6]).toContain('out of range');
	});

	it('takes five thousand lines with gaps, and says where the batch is full', () => {
		const rows = Array.from({ length: 5000 }, (_, i) => [
			String(1 + (i % 600)),
			'225',
			i % 7 === 0 ? '' : '36.1',
			i % 5 === 0 ? '' : '6.4',
			'',
			''
		]);
		const { modules, added, refused } = imported(rows, HEAD);
		expect(added).toBe(BATCH_LIMITS.modules);
		expect(modules).toHaveLength(BATCH_LIMITS.modules);
		expect(refused[0]!.why).toContain('500 modules at most');
		expect(batchSchema.safeParse({ ...EMPTY_BATCH, name: 'x', modules }).success).toBe(true);
	});
});

describe('a batch as a document', () => {
	const batch = cairnRiggBatch();
	const words = (change: object) => {
		const read = batchSchema.safeParse({ ...batch, ...change });
		return read.success ? '' : read.error.issues[0]!.message;
	};

	it('is the demo’s', () => {
		expect(batchSchema.parse(batch)).toEqual(batch);
		expect(batch.modules).toHaveLength(18);
	});

	it('refuses marks twice, limits that do not fall, and takes of nothing', () => {
		const [one] = batch.modules;
		expect(words({ modules: [one, { ...one, id: newId() }] })).toContain('given twice');
		expect(
			words({ profile: { by: 'limits', limits: { good: 0.5, fair: 0.7, weak: 0.4 } } })
		).toContain('must fall');
		const empty = { id: newId(), at: NOW, volts: null, amps: null, watts: null };
		expect(words({ modules: [{ ...one, takes: [empty] }] })).toContain(
			'a voltage, a current or a power'
		);
	});
});
