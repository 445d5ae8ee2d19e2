import { describe, expect, it } from 'vitest';
import { testRecord } from '../../../tests/support/monitored-record';
import { searchRecord, wordsOf } from './search';
import { partCode } from '../../../tests/support/part-codes';

const record = testRecord();
const search = (question: string, most = 50) =>
	searchRecord(record, wordsOf(question), most, partCode);

describe('what is looked for in a record', () => {
	it('is found by serial, device code, mark, kind and type, whatever the case', () => {
		expect(search('sn-0003')).toEqual([
			expect.objectContaining({ kind: 'module', name: 'K1, module 3', said: 'serial SN-0003' })
		]);
		expect(search('dev12')[0]).toMatchObject({ name: 'K2, module 6' });
		expect(search('inv 1')[0]).toMatchObject({ kind: 'part', name: 'INV 1, inverter' });
		expect(search('lintwhite').map(({ kind }) => kind)).toEqual(['module-type']);
		expect(search('k2 string').map(({ name }) => name)).toEqual(['K2, string']);
	});
	it('needs every word, and understands a panel as a module', () => {
		expect(search('K1 SN-0012')).toEqual([]);
		expect(search('panel 4').map(({ name }) => name)).toContain('K1, module 4');
	});
	it('stops at the most that is wanted', () => {
		expect(search('module', 5)).toHaveLength(5);
	});
});
