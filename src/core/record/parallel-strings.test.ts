import { describe, expect, it } from 'vitest';
import { arrayRecord, testId } from '../../../tests/support/scenario';
import { SALTMARSH } from '../../../tests/support/sites';
import type { ArrayRecord } from './record';
import { parallelStrings } from './parallel-strings';

const labels = (record: ArrayRecord) =>
	parallelStrings(record).map(({ strings, maybe }) => [
		strings.map(({ label }) => label).join(' '),
		maybe.map(({ label }) => label).join(' ')
	]);
const inputs = (record: ArrayRecord, of: (label: string) => string | null): ArrayRecord => ({
	...record,
	strings: record.strings.map((string) => ({ ...string, input: of(string.label) }))
});

describe('strings in parallel', () => {
	it('share an input', () => {
		expect(labels(arrayRecord(['A1', 'A2', 'B1']))).toEqual([
			['A1 A2', ''],
			['B1', '']
		]);
	});

	it('share a combiner, whether its input is recorded or not', () => {
		const blind = inputs(SALTMARSH.record, () => null);
		const groups = parallelStrings(blind);
		expect(groups.map(({ strings }) => strings.length)).toEqual([4, 4]);
		// Whether the two combiners meet inside the inverter is not known either.
		expect(groups.map(({ maybe }) => maybe.length)).toEqual([4, 4]);
		expect(parallelStrings(SALTMARSH.record).map(({ maybe }) => maybe.length)).toEqual([0, 0]);
	});

	it('include all strings of a combiner of which one input is recorded', () => {
		const first = inputs(SALTMARSH.record, (label) =>
			label === 'A1' ? '1' : label[0] === 'B' ? '2' : null
		);
		expect(parallelStrings(first).map(({ input, strings }) => [input, strings.length])).toEqual([
			['1', 4],
			['2', 4]
		]);
	});

	it('may be all strings whose input nobody recorded', () => {
		const blind = inputs(arrayRecord(['A1', 'A2', 'B1']), () => null);
		expect(labels(blind)).toEqual([
			['A1', 'A2 B1'],
			['A2', 'A1 B1'],
			['B1', 'A1 A2']
		]);
	});

	it('may include one of unknown input beside those of a known one', () => {
		const record = inputs(arrayRecord(['A1', 'A2', 'B1']), (label) =>
			label === 'B1' ? null : 'A'
		);
		expect(labels(record)).toEqual([
			['A1 A2', 'B1'],
			['B1', 'A1 A2']
		]);
	});

	it('of two inverters are not in parallel by the name of their input alone', () => {
		const record = arrayRecord(['A1', 'A2']);
		const [a1, a2] = record.strings;
		const inverter = SALTMARSH.record.parts.find(({ kind }) => kind === 'inverter')!;
		const ends = [testId(901), testId(902)].map((id) => ({ ...inverter, id, to: null }));
		const separate = {
			...record,
			parts: ends,
			strings: [
				{ ...a1!, input: '1', to: ends[0]!.id },
				{ ...a2!, input: '1', to: ends[1]!.id }
			]
		};
		expect(parallelStrings(separate)).toHaveLength(2);
	});
});
