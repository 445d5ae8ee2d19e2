import { describe, expect, it } from 'vitest';
import {
	stringCurrentAt,
	stringOpenCircuit,
	wholeString,
	type StringCircuit
} from '$core/circuit/string';
import { faultOf } from '$core/faults/catalogue';
import type { StringFaultCode } from '$core/faults/fault';
import networks from './data/networks.json';
import { arrayRecord } from '../support/scenario';

/*
 * Source: DC sweeps of a general-purpose circuit simulator over the same circuits, bypass diodes
 * included. Here the cases of one string in even light, with the faults this version injects.
 */

const [string] = arrayRecord().strings;

/** The string of a case as the catalogue's fault of this code leaves a whole one. */
function circuitOf(name: string, code: StringFaultCode | null): StringCircuit {
	const given = networks.cases.find((candidate) => candidate.name === name)!;
	const modules = given.strings[0]!;
	const healthy = modules.find((module) => module.state === 'ok')!.params;
	const whole = wholeString(healthy, modules.length, given.substringsPerModule, 0);
	if (code === null) return whole;
	const fault = faultOf(code);
	const size = code === 'connector-resistive' ? given.cableOhmPerString : 1;
	return fault.inject(whole, { ...fault.severities[0], size }, 'isolated-open-circuit', string!)!;
}

describe.each<[string, StringFaultCode | null]>([
	['open-healthy-12', null],
	['open-diode-shorted', 'bypass-diode-shorted'],
	['open-section-open', 'section-open'],
	['open-reversed', 'module-reversed'],
	['open-series-resistance', 'connector-resistive']
])('%s', (name, code) => {
	const truth = networks.cases.find((candidate) => candidate.name === name)!.expect;
	const circuit = circuitOf(name, code);

	it('has the simulator’s open-circuit volts', () => {
		// The simulator's value lies between two points of its sweep; a carrying diode turns off there.
		expect(Math.abs(stringOpenCircuit(circuit) / truth.voc - 1)).toBeLessThan(1e-4);
	});

	it('has the simulator’s current at short circuit, at the peak and at the stated volts', () => {
		const at = [
			{ volts: 0, amps: truth.isc },
			{ volts: truth.vmp, amps: truth.imp },
			...(truth.atVolts ?? [])
		];
		for (const { volts, amps } of at) {
			expect(stringCurrentAt(circuit, volts) / amps).toBeCloseTo(1, 4);
		}
	});
});
