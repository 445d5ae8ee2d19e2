import { describe, expect, it } from 'vitest';
import type { StringRecord } from '../circuit/record';
import { MODULE_HERE as module_ } from '../../../tests/support/scenario';
import { stringCurrentAt, stringOpenCircuit, wholeString } from '../circuit/string';
import { openCircuitVoltage } from '../module/single-diode';
import { CATALOGUE, faultOf } from './catalogue';
import { STRING_FAULT_CODES, type StringFaultCode } from './fault';

const fused: StringRecord = {
	id: 's',
	label: 'A1',
	moduleTypeId: 't',
	moduleCount: 12,
	cableResistance: 0.4,
	fuse: { rating: 15 },
	input: null
};
const healthy = wholeString(module_, 12, 3, 0.4);
const voc = openCircuitVoltage(module_);
const bus = 370;
const readings = (code: StringFaultCode, string = fused) => {
	const fault = faultOf(code);
	const severity = fault.severities[0];
	const isolated = fault.inject(healthy, severity, 'isolated-open-circuit', string)!;
	const operating = fault.inject(healthy, severity, 'operating', string);
	return {
		modules: stringOpenCircuit(isolated) / voc,
		amps: operating && stringCurrentAt(operating, bus)
	};
};

describe('the catalogue', () => {
	it('has every code once, with shares that add up', () => {
		expect(CATALOGUE.map((fault) => fault.code).sort()).toEqual([...STRING_FAULT_CODES].sort());
		for (const fault of CATALOGUE) {
			expect(fault.severities.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
		}
	});

	const healthyAmps = stringCurrentAt(healthy, bus);

	it.each<[StringFaultCode, number]>([
		['bypass-diode-shorted', 12 - 1 / 3],
		['section-open', 12 - 1 / 3],
		['module-missing', 11],
		['module-open', 0],
		['connector-open', 0],
		['fuse-blown', 12],
		['module-reversed', 10],
		['connector-reversed', -12],
		['connector-resistive', 12]
	])('%s reads %f modules at open circuit', (code, modules) => {
		expect(readings(code).modules).toBeCloseTo(modules, 6);
	});

	it('lets no current through an open path, a blown fuse or a swapped string behind its fuse', () => {
		for (const code of [
			'module-open',
			'connector-open',
			'fuse-blown',
			'connector-reversed'
		] as const) {
			expect(readings(code).amps).toBe(0);
		}
		expect(readings('connector-reversed', { ...fused, fuse: null }).amps).toBeNull();
	});

	it('lowers current by dirt and by resistance, volts hardly or not at all', () => {
		for (const code of ['soiling', 'connector-resistive'] as const) {
			expect(readings(code).amps).toBeLessThan(healthyAmps);
			expect(readings(code).modules).toBeGreaterThan(11.9);
		}
	});

	it('shows an open section lower under load than a shorted diode, by its diode’s drop', () => {
		expect(readings('section-open').amps).toBeLessThan(readings('bypass-diode-shorted').amps!);
	});
});
