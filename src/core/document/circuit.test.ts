import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyBus } from '../../../tests/support/arrays';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { type BusCircuit, BusSource, BYPASS_DIODE, wholeString } from '../circuit';
import { openCircuitVoltage } from '../module';
import {
	atVoltageSchema,
	busCircuitSchema,
	busOfShortCircuit,
	shortCircuitSchema
} from './circuit';

const module = (more: object = {}) => ({
	params: MODULE_NOW,
	light: [1, 1, 1],
	diodes: ['ok', 'ok', 'ok'],
	state: 'ok',
	...more
});
const short = (more: object = {}) => ({
	strings: [[module(), module()]],
	substringsPerModule: 3,
	blockingDiode: false,
	cableOhmPerString: 0.2,
	...more
});
const busOf = (data: unknown) => busOfShortCircuit(shortCircuitSchema.parse(data));
const problems = (schema: { safeParse(data: unknown): unknown }, data: unknown) => {
	const result = schema.safeParse(data) as {
		success: boolean;
		error?: { issues: { path: PropertyKey[]; message: string }[] };
	};
	return (result.error?.issues ?? []).map(({ path, message }) => `${path.join('.')}: ${message}`);
};

describe('the short form of a circuit', () => {
	it('is strings of modules, named in their order', () => {
		const bus = busOf(short({ strings: [[module()], [module(), module()]] }));
		expect(bus.strings.map(({ name, modules }) => [name, modules.length])).toEqual([
			['S1', 1],
			['S2', 2]
		]);
		expect(new BusSource(busOf(short())).openVoltage).toBeCloseTo(
			2 * openCircuitVoltage(MODULE_NOW),
			4
		);
	});

	it('has light and diodes for each section, and what a module is', () => {
		const [string] = busOf(
			short({
				strings: [
					[module({ light: [1, 0.5, 0], diodes: ['open', 'short', 'cellopen'], state: 'reversed' })]
				],
				blockingDiode: true
			})
		).strings;
		expect(string!.modules[0]).toMatchObject({
			state: 'reversed',
			sections: [
				{ light: 1, bypass: 'open', cells: 'whole' },
				{ light: 0.5, bypass: 'shorted', cells: 'whole' },
				{ light: 0, bypass: 'whole', cells: 'open' }
			]
		});
		expect(string!.blockingDiode).toMatchObject({ state: 'whole' });
	});

	it('leaves fields alone that it does not know', () => {
		expect(problems(shortCircuitSchema, short({ note: 'from the office' }))).toEqual([]);
	});

	it('says where a list has not as many values as a module has sections', () => {
		expect(problems(shortCircuitSchema, short({ strings: [[module({ light: [1, 1] })]] }))).toEqual(
			['strings.0.0.light: 2 values; a module of this case has 3 substrings.']
		);
	});

	it.each([
		['no strings', { strings: [] }],
		['a string of no modules', { strings: [[]] }],
		['a state that is none', { strings: [[module({ state: 'upside-down' })]] }],
		['a cable of less than nothing', { cableOhmPerString: -1 }],
		['no light at all given', { strings: [[module({ light: [] })]] }],
		['volts without number', { atVolts: ['many'] }]
	])('refuses %s', (_, change) => {
		expect(problems(shortCircuitSchema, short(change))).not.toEqual([]);
	});
});

describe('the full form of a circuit', () => {
	const bus: BusCircuit = {
		strings: [wholeString(MODULE_NOW, 12, 3, 0.4, 'A1'), wholeString(MODULE_NOW, 12, 3, 0.4, 'A2')],
		bypass: BYPASS_DIODE,
		breakdown: null,
		load: { kind: 'open' }
	};

	it('is whatever the core knows as a bus, and comes back as it was', () => {
		fc.assert(
			fc.property(anyBus(), (any) => {
				const data = JSON.parse(JSON.stringify(any)) as unknown;
				expect(busCircuitSchema.parse(data)).toEqual(data);
			}),
			{ numRuns: 60 }
		);
	});

	it('refuses two strings of one name, and an earth at a string that is not there', () => {
		expect(
			problems(busCircuitSchema, { ...bus, strings: [bus.strings[0], bus.strings[0]] })
		).toEqual(['strings: Two strings have one name.']);
		expect(
			problems(busCircuitSchema, {
				...bus,
				earth: [{ at: { string: 'B7', joint: 3 }, resistance: 100 }]
			})
		).toEqual(['earth.0.at.string: There is no string B7.']);
	});

	it('refuses modules of other sections than their string says', () => {
		const [first] = bus.strings;
		expect(
			problems(busCircuitSchema, { ...bus, strings: [{ ...first!, sectionsPerModule: 2 }] })[0]
		).toContain('3 sections; the string has 2 for each module');
	});

	it('refuses a field that it does not know, so that a typing mistake is not lost', () => {
		expect(problems(busCircuitSchema, { ...bus, transmiter: 'dead' })[0]).toMatch(/transmiter/);
	});
});

describe('volts that are asked', () => {
	it('are of an array, in bounds, and not without end', () => {
		expect(problems(atVoltageSchema, [0, 300, -20])).toEqual([]);
		expect(problems(atVoltageSchema, [9000])).not.toEqual([]);
		expect(
			problems(
				atVoltageSchema,
				Array.from({ length: 10_001 }, () => 1)
			)
		).not.toEqual([]);
	});
});
