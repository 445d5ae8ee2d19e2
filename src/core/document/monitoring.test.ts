import { describe, expect, it } from 'vitest';
import {
	benchmarkEntrySchema,
	importStartSchema,
	NO_SETTINGS,
	targetSchema,
	monitoringSettingsSchema
} from './monitoring';

const START = {
	id: '019c0000-0009-7000-8000-000000000001',
	file: 'export.csv',
	delimiter: ';',
	headings: ['Time', 'A'],
	layout: {
		headingLine: 1,
		time: [0],
		form: 'year-first',
		fixedOffset: null,
		mark: ',',
		unitColumn: null,
		quantityColumn: null,
		figures: [{ column: 1, unit: 'A', watched: 'power', factor: 1 }]
	}
};

describe('what an import begins with', () => {
	it('is read', () => {
		expect(importStartSchema.safeParse(START).success).toBe(true);
	});
	it.each([
		['no name', { ...START, file: ' ' }],
		['two marks between cells', { ...START, delimiter: ';;' }],
		['no figures', { ...START, layout: { ...START.layout, figures: [] } }],
		['no time', { ...START, layout: { ...START.layout, time: [] } }],
		['an offset of two days', { ...START, layout: { ...START.layout, fixedOffset: 172_800_000 } }],
		[
			'a factor of nothing',
			{
				...START,
				layout: {
					...START.layout,
					figures: [{ column: 1, unit: 'A', watched: 'power', factor: 0 }]
				}
			}
		],
		['something unknown', { ...START, more: 1 }]
	])('with %s is refused', (_, start) => {
		expect(importStartSchema.safeParse(start).success).toBe(false);
	});
});

describe('what a watch goes by', () => {
	it('may be nothing yet', () => {
		expect(monitoringSettingsSchema.parse(NO_SETTINGS)).toEqual(NO_SETTINGS);
	});
	it.each([
		['a latitude beyond the pole', { latitude: 91 }],
		['a day that no month has', { benchmarkDays: ['06-32'] }],
		['a month that no year has', { benchmarkDays: ['13-01'] }],
		['no day at all', { benchmarkDays: [] }],
		['a limit above the label', { limit: 1.2 }],
		['a price below nothing', { price: -1 }]
	])('with %s is refused', (_, change) => {
		expect(monitoringSettingsSchema.safeParse({ ...NO_SETTINGS, ...change }).success).toBe(false);
	});
});

it('a unit is a module, a string, an inverter or the array', () => {
	const id = START.id;
	for (const target of [
		{ kind: 'array' },
		{ kind: 'inverter', part: id },
		{ kind: 'string', string: id },
		{ kind: 'module', string: id, module: 3 }
	]) {
		expect(targetSchema.parse(target)).toEqual(target);
	}
	expect(targetSchema.safeParse({ kind: 'module', string: id, module: 0 }).success).toBe(false);
	expect(targetSchema.safeParse({ kind: 'roof' }).success).toBe(false);
});

it('a benchmark reading has a date that a calendar has, and light and heat that can be', () => {
	const entry = {
		id: START.id,
		date: '2026-06-21',
		target: { kind: 'array' },
		watts: 5000,
		side: 'dc',
		irradiance: 900,
		cellTemperature: 40,
		by: 'Tamsin Orrell'
	};
	expect(benchmarkEntrySchema.safeParse(entry).success).toBe(true);
	for (const change of [{ date: '2026-02-30' }, { irradiance: 5 }, { watts: 0 }, { by: ' ' }]) {
		expect(benchmarkEntrySchema.safeParse({ ...entry, ...change }).success).toBe(false);
	}
});
