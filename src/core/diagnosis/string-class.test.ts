import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import { STRING_FAULT_CODES, USUAL_RATES } from '../faults';
import type { StringRecord } from '../record';
import { classesOf } from './string-class';

const record = arrayRecord();
const type = record.moduleTypes[0]!;
const string = record.strings[0]!;
const READ = new Set(['open-circuit-voltage', 'operating-current'] as const);
const classes = (of: StringRecord = string, rates = {}, read = READ) =>
	classesOf(of, type, rates, read);
const priorOf = (code: string, of = string, rates = {}) =>
	classes(of, rates)
		.filter(({ faults }) => faults.length === 1 && faults[0]!.fault.code === code)
		.reduce((sum, { prior }) => sum + prior, 0);

describe('the ways a string may be', () => {
	it('begin with the whole one, and share all chances between them', () => {
		const all = classes();
		expect(all[0].faults).toEqual([]);
		expect(all.reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 9);
		for (const { prior } of all) expect(prior).toBeGreaterThan(0);
	});

	it('leave most strings whole', () => {
		expect(classes()[0].prior).toBeGreaterThan(0.5);
	});

	it('are likelier faulty the more parts a string has', () => {
		const long = { ...string, moduleCount: 24 };
		expect(priorOf('bypass-diode-shorted', long) / priorOf('bypass-diode-shorted')).toBeCloseTo(
			2,
			1
		);
		expect(priorOf('fuse-blown', long)).toBeCloseTo(priorOf('fuse-blown'), 3);
	});

	it('have no fault of a part that is not there', () => {
		expect(priorOf('fuse-blown', { ...string, fuse: null })).toBe(0);
		expect(priorOf('rsd-device-off', { ...string, devices: null })).toBe(0);
		expect(priorOf('blocking-diode-open', { ...string, blockingDiode: 'none' })).toBe(0);
	});

	it('take a site’s own rates where it has some', () => {
		const usual = priorOf('module-missing');
		const known = priorOf('module-missing', string, {
			'module-missing': 5 * USUAL_RATES['module-missing']
		});
		expect(known).toBeGreaterThan(3 * usual);
	});

	it('ask of what readings cannot show only where it is read, or the site knows of it', () => {
		const of = (rates: object, read: typeof READ) =>
			classes(string, rates, read).some(({ faults }) =>
				faults.some(({ fault }) => fault.code === 'bypass-diode-open')
			);
		expect(of({}, READ)).toBe(false);
		expect(of({ 'bypass-diode-open': 0.01 }, READ)).toBe(true);
		expect(of({}, new Set([...READ, 'cover-current']) as never)).toBe(true);
	});

	it('are of the catalogue', () => {
		for (const { faults } of classes()) {
			for (const { fault } of faults) expect(STRING_FAULT_CODES).toContain(fault.code);
		}
	});

	it('of two faults at once take volts by the one and current by the other', () => {
		const pairs = classes().filter(({ faults }) => faults.length === 2);
		expect(pairs.length).toBeGreaterThan(0);
		for (const { faults, prior } of pairs) {
			expect(['bypass-diode-shorted', 'section-open', 'module-missing']).toContain(
				faults[0]!.fault.code
			);
			expect(prior).toBeLessThan(0.01);
		}
	});
});
