import { describe, expect, it } from 'vitest';
import { MODULE_NOW as module_ } from '../../../tests/support/scenario';
import { type StringCircuit, wholeString } from '../circuit';
import { predictValue } from '../expectation';
import { openCircuitVoltage } from '../module';
import { CATALOGUE, faultOf } from './catalogue';
import { STRING_FAULT_CODES, type StringFaultCode } from './fault';
import { usualState } from '../visit';

const bare = wholeString(module_, 12, 3, 0.4, 'A1');
const fused: StringCircuit = {
	...bare,
	fuses: { positive: { rating: 15, state: 'whole' }, negative: null }
};
const voc = openCircuitVoltage(module_);
const bus = 370;
const readings = (code: StringFaultCode, string = fused) => {
	const fault = faultOf(code);
	const severity = fault.severities[0];
	const isolated = fault.inject(string, severity, usualState('open-circuit-voltage'))!;
	const operating = fault.inject(string, severity, usualState('operating-current'));
	return {
		modules: predictValue(isolated, 'open-circuit-voltage', null) / voc,
		amps: operating && predictValue(operating, 'operating-current', bus)
	};
};

describe('the weighed faults', () => {
	it('has every code once, with shares that add up', () => {
		expect(CATALOGUE.map((fault) => fault.code).sort()).toEqual([...STRING_FAULT_CODES].sort());
		for (const fault of CATALOGUE) {
			expect(fault.severities.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
		}
	});

	const healthyCurrent = predictValue(fused, 'operating-current', bus);

	it.each<[StringFaultCode, number]>([
		['bypass-diode-shorted', 12 - 1 / 3],
		['section-open', 12 - 1 / 3],
		['module-missing', 11],
		['fuse-blown', 12],
		['module-reversed', 10],
		['connector-reversed', -12],
		['connector-resistive', 12]
	])('%s reads %f modules at open circuit', (code, modules) => {
		expect(readings(code).modules).toBeCloseTo(modules, 4);
	});

	it('leaves an open path next to nothing on a meter: its own leak through 10 Mohm', () => {
		for (const code of ['module-open', 'connector-open'] as const) {
			expect(readings(code).modules).toBeGreaterThan(0);
			expect(readings(code).modules).toBeLessThan(0.02);
		}
	});

	it('lets no current through an open path, a blown fuse or a swapped string behind its fuse', () => {
		for (const code of [
			'module-open',
			'connector-open',
			'fuse-blown',
			'connector-reversed'
		] as const) {
			expect(Math.abs(readings(code).amps!)).toBeLessThan(1e-6);
		}
		expect(readings('connector-reversed', bare).amps).toBeNull();
	});

	it('lowers current by soiling and by resistance, volts hardly or not at all', () => {
		for (const code of ['soiling', 'connector-resistive'] as const) {
			expect(readings(code).amps).toBeLessThan(healthyCurrent);
			expect(readings(code).modules).toBeGreaterThan(11.9);
		}
	});

	it('shows an open section lower under load than a shorted diode, by its diode’s drop', () => {
		expect(readings('section-open').amps).toBeLessThan(readings('bypass-diode-shorted').amps!);
	});
});
