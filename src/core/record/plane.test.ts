import { describe, expect, it } from 'vitest';
import { EMPTY_RECORD } from './record';
import type { Field } from './field';
import { planesOf, planesOfString } from './plane';

const field = (id: string, tilt: number | null, azimuth: number | null): Field => ({
	id,
	name: id,
	rows: 4,
	columns: 12,
	tilt,
	azimuth,
	lying: false,
	countedTypeId: null
});
const fields = [field('east', 25, 90), field('west', 25, 270), field('annex', 25.3, 90.2)];
const recordOf = (list: readonly Field[]) => ({ ...EMPTY_RECORD, fields: list });
const span = (from: number, count: number, of: string) =>
	({ from, count, field: of, row: 0, column: 0, step: 'right' }) as const;

describe('planes of a record', () => {
	it('gather fields that face the same way to the degree', () => {
		const [east, west] = planesOf(recordOf(fields));
		expect(east).toMatchObject({ id: '25/90', fieldIds: ['east', 'annex'], name: 'east, annex' });
		expect(west).toMatchObject({ id: '25/270', azimuth: 270 });
	});

	it('leave out a field that nobody measured, and need no azimuth where it is level', () => {
		const list = [field('a', null, 90), field('b', 20, null), field('c', 0, null)];
		expect(planesOf(recordOf(list)).map(({ id }) => id)).toEqual(['0/0']);
	});
});

describe('planes of a string', () => {
	const planes = planesOf(recordOf(fields));
	const at = (...spans: readonly ReturnType<typeof span>[]) =>
		planesOfString(planes, { moduleCount: 12, spans });

	it('are the one all its modules lie on', () => {
		expect(at(span(1, 12, 'west'))).toEqual({ main: planes[1], ofModules: [] });
	});

	it('are told module by module where it lies on two, unplaced modules with most', () => {
		const { main, ofModules } = at(span(1, 4, 'west'), span(5, 6, 'east'));
		expect(main).toBe(planes[0]);
		expect(ofModules.map(({ id }) => id)).toEqual([
			...Array<string>(4).fill('25/270'),
			...Array<string>(8).fill('25/90')
		]);
	});

	it('are the only plane of a record, and unknown where nothing is placed among several', () => {
		const [only] = planesOf(recordOf([fields[0]!]));
		expect(planesOfString([only!], { moduleCount: 12, spans: [] }).main).toBe(only);
		expect(at()).toEqual({ main: null, ofModules: [] });
	});
});
