import { describe, expect, it } from 'vitest';
import { testRecord } from '../../../tests/support/monitored-record';
import { importQuestions } from './import-questions';
import { matchUnits } from './match';
import { earlierName, renamedQuestion } from './renamed';
import { factsOf, targetKey } from './target';

const record = testRecord();
const matched = (names: readonly string[]) =>
	Object.fromEntries(
		[...matchUnits(names, record)].map(([name, target]) => [name, targetKey(target)])
	);
const [k1, k2] = record.strings.map(({ id }) => id);

describe('units of an export', () => {
	it('are found by serial number, device code and mark, however they are written', () => {
		expect(matched(['SN-0003', 'dev 12', 'K2', 'inv-01', 'Site'])).toEqual({
			'SN-0003': `module:${k1}:3`,
			'dev 12': `module:${k2}:6`,
			K2: `string:${k2}`,
			'inv-01': `inverter:${record.parts[0]!.id}`,
			Site: 'array'
		});
	});
	it('are found by their order where they only differ in a number that runs', () => {
		const names = Array.from({ length: 12 }, (_, i) => `Unit ${String(i + 1).padStart(2, '0')}`);
		const found = matched(names);
		expect(Object.keys(found)).toHaveLength(12);
		expect(found['Unit 01']).toBe(`module:${k1}:1`);
		expect(found['Unit 07']).toBe(`module:${k2}:1`);
		expect(matched(names.slice(0, 11))).toEqual({});
	});
	it('are found by their order beside columns of the weather', () => {
		const names = Array.from({ length: 12 }, (_, i) => `Unit ${i + 1}`);
		expect(Object.keys(matched([...names, 'in plane', 'Weather 1']))).toEqual(names);
	});
	it('are looked up in one walk, however many parts there are and whatever they are called', () => {
		const [string] = record.strings;
		const large = {
			...record,
			strings: Array.from({ length: 2000 }, (_, i) => ({
				...string!,
				id: `${string!.id.slice(0, -4)}${String(i).padStart(4, '0')}`,
				label: `S${i + 1}`,
				moduleCount: 20,
				modules: []
			}))
		};
		const odd = ['1'.repeat(50_000) + 'x', '1x'.repeat(25_000), ' '.repeat(50_000)];
		const names = Array.from({ length: 100 }, (_, i) => `Q${i} left over`);
		const found = matchUnits([...names, ...odd, 'S1999 20'], large);
		expect([...found.values()]).toEqual([
			{ kind: 'array' },
			{ kind: 'module', string: large.strings[1998]!.id, module: 20 }
		]);
	});
	it('that nothing fits are left open', () => {
		expect(matched(['East', 'West'])).toEqual({});
	});
	it('with more power than their label are doubted', () => {
		const questions = importQuestions(record, matchUnits(['K1', 'K2'], record), [
			{ name: 'K1', watched: 'power', most: 5_000_000 },
			{ name: 'K2', watched: 'power', most: 1800 }
		]);
		expect(questions).toEqual([expect.stringContaining('K1 shows 5000000 W')]);
		expect(
			importQuestions(record, matchUnits(['K1'], record), [
				{ name: 'K1', watched: 'power', most: 1.8 }
			])
		).toEqual([expect.stringContaining('perhaps these are kW')]);
	});
	it('that were renamed are seen by where one name ends and the other begins', () => {
		const power = ['power'];
		const units = [
			{ name: 'A', first: 0, last: 100, quantities: power },
			{ name: 'B', first: 0, last: 200, quantities: power },
			{ name: 'A2', first: 101, last: 200, quantities: power }
		];
		expect(earlierName(units[2]!, units)).toBe('A');
		expect(earlierName(units[1]!, units)).toBeNull();
		expect(renamedQuestion(units)).toContain('“A2” begins');
		expect(renamedQuestion(units.slice(0, 2))).toBeNull();
	});
});

it('what is known of a unit comes from the record', () => {
	expect(factsOf(record, { kind: 'module', string: k1!, module: 2 })).toMatchObject({
		label: 'K1 2',
		labelWatts: 370,
		ratedWatts: 290,
		plane: { tilt: 32, azimuth: 140 }
	});
	expect(factsOf(record, { kind: 'string', string: k2! })).toMatchObject({ labelWatts: 6 * 370 });
	expect(factsOf(record, { kind: 'array' })).toMatchObject({ labelWatts: 12 * 370 });
	expect(factsOf(record, { kind: 'module', string: k1!, module: 99 })).toBeNull();
	expect(factsOf(record, { kind: 'string', string: 'gone' })).toBeNull();
});
