import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../../../tests/support/scenario';
import { SALTMARSH } from '../../../../../tests/support/sites';
import type { CauseMember } from '$core/diagnosis';
import type { Spread } from '$core/faults';
import { placeOfCause } from './place-of-cause';

const record = arrayRecord();
const string = record.strings[0]!.id;
const at = (place: CauseMember['place']) => placeOfCause(record, { place } as CauseMember);
const within = (spread: Spread, likeliest: number) =>
	at({ string, within: { spread, likeliest } } as CauseMember['place']);

describe('the place at which a cause is put right', () => {
	it('is as near as the readings tell', () => {
		expect(within('module', 4)).toEqual({ kind: 'module', string, module: 5, section: null });
		expect(within('section', 7)).toEqual({ kind: 'module', string, module: 3, section: 2 });
		expect(within('joint', 12)).toEqual({ kind: 'joint', string, joint: 12 });
		expect(within('pole', 0)).toEqual({ kind: 'fuse', string, pole: 'positive' });
		expect(within('pole', 1)).toEqual({ kind: 'fuse', string, pole: 'negative' });
	});

	it('is the string where no place in it is likelier than another', () => {
		expect(at({ string })).toEqual({ kind: 'string', string });
		expect(within('string', 0)).toEqual({ kind: 'string', string });
	});

	it('is the first module of a device that covers two', () => {
		const paired = {
			...record,
			strings: record.strings.map((one) => ({
				...one,
				devices: { kind: 'rapid-shutdown' as const, modulesPerDevice: 2 as const, part: null }
			}))
		};
		const place = { string, within: { spread: 'device', likeliest: 3 } };
		expect(placeOfCause(paired, { place } as CauseMember)).toEqual({
			kind: 'module',
			string,
			module: 7,
			section: null
		});
	});

	it('is the part of what several strings share', () => {
		expect(at({ part: 'p1' })).toEqual({ kind: 'part', part: 'p1', point: 'line' });
	});

	it('is the record’s inverter where that is to blame', () => {
		const { record: demo } = SALTMARSH;
		const inverter = demo.parts.find(({ kind }) => kind === 'inverter')!;
		expect(placeOfCause(demo, { place: { inverter: true } } as CauseMember)).toEqual({
			kind: 'part',
			part: inverter.id,
			point: 'line'
		});
	});

	it('is the array where nothing nearer is known', () => {
		expect(at({})).toEqual({ kind: 'array' });
		expect(at({ inverter: true })).toEqual({ kind: 'array' });
		expect(at({ string: 'gone' })).toEqual({ kind: 'array' });
	});
});
