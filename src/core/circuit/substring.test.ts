import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { voltageAt } from '../module';
import { BusSource } from './bus';
import { substringPart } from './compile';
import {
	WHOLE_SUBSTRING,
	wholeModules,
	wholeString,
	withModule,
	type BusCircuit,
	type ModuleRun,
	type SubstringState
} from './description';
import { BYPASS_DIODE, diodeVoltage } from './diode';
import { TYPICAL_BREAKDOWN, type Part } from './substring';

const parts = { bypass: BYPASS_DIODE, breakdown: TYPICAL_BREAKDOWN };
const run: ModuleRun = { ...wholeModules(MODULE_NOW, 1, 3), cellsInSeries: 60 };
const at = (state: Partial<SubstringState>, current: number, module = run, around = parts) => {
	const out = { voltage: 0, slope: 0 };
	(substringPart(module, { ...WHOLE_SUBSTRING, ...state }, around) as Part).solve(current, out);
	return out;
};
const current = fc.double({ min: -4, max: 9.5, noNaN: true });

describe('a section', () => {
	it('is a third of its module while it is lit and generates', () => {
		for (const i of [-2, 0, 3, 7, 8.3]) {
			expect(3 * at({}, i).voltage).toBeCloseTo(voltageAt(MODULE_NOW, i), 5);
		}
	});

	it('falls in volts with the slope it says', () => {
		fc.assert(
			fc.property(current, fc.double({ min: 0, max: 1, noNaN: true }), (i, irradiance) => {
				const step = 1e-6;
				const { voltage, slope } = at({ light: irradiance }, i);
				const rise =
					(at({ light: irradiance }, i + step).voltage -
						at({ light: irradiance }, i - step).voltage) /
					(2 * step);
				expect(slope).toBeLessThan(0);
				fc.pre(slope > -1e3);
				expect(Math.abs(rise - slope)).toBeLessThan(1e-3 * Math.abs(slope) + 1e-3);
				expect(voltage).toSatisfy(Number.isFinite);
			})
		);
	});

	it('is held by its bypass diode where it cannot give the current', () => {
		const dark = at({ light: 0.1 }, 8);
		const through = 8 - 0.1 * MODULE_NOW.photocurrent;
		expect(-dark.voltage).toBeCloseTo(diodeVoltage(BYPASS_DIODE, through), 3);
	});

	it('is driven far backwards where that diode is open, until its cells break down', () => {
		const driven = at({ light: 0.3, bypass: 'open' }, 4);
		expect(driven.voltage).toBeLessThan(-30);
		expect(driven.voltage).toBeGreaterThan(20 * TYPICAL_BREAKDOWN.volts);
		const never = at({ light: 0.3, bypass: 'open' }, 4, run, {
			...parts,
			breakdown: null as never
		});
		expect(never.voltage).toBeLessThan(driven.voltage);
	});

	it('has its diode alone where its cells are broken, and a gap where that is open too', () => {
		expect(-at({ cells: 'open' }, 5).voltage).toBeCloseTo(diodeVoltage(BYPASS_DIODE, 5), 9);
		expect(substringPart(run, { ...WHOLE_SUBSTRING, cells: 'open', bypass: 'open' }, parts)).toBe(
			1e10
		);
		expect(substringPart(run, { ...WHOLE_SUBSTRING, bypass: 'shorted' }, parts)).toBe(1e-3);
	});

	it('loses volts to a resistive ribbon under load only, and to a leak in little light most', () => {
		expect(at({ resistance: 0.5 }, 0).voltage).toBeCloseTo(at({}, 0).voltage, 6);
		expect(at({ resistance: 0.5 }, 8).voltage).toBeCloseTo(at({}, 8).voltage - 4, 6);
		const loss = (irradiance: number) =>
			at({ light: irradiance }, 0).voltage - at({ light: irradiance, leak: 20 }, 0).voltage;
		expect(loss(0.1)).toBeGreaterThan(loss(1));
	});
});

describe('a section in uneven light', () => {
	it('is an even one where its patch has the light of the rest', () => {
		for (const halfCut of [false, true]) {
			for (const i of [0, 4, 8, 12]) {
				const patched = at({ patches: [{ cells: 3, light: 1 }] }, i, { ...run, halfCut });
				expect(patched.voltage).toBeCloseTo(at({}, i).voltage, 4);
			}
		}
	});

	it('is passed as a whole for one dark cell, unless its diode is open', () => {
		const patches = [{ cells: 1, light: 0 }];
		expect(at({ patches }, 8).voltage).toBeGreaterThan(-0.6);
		expect(at({ patches }, 8).voltage).toBeLessThan(-0.3);
		expect(at({ patches, bypass: 'open' }, 8).voltage).toBeLessThan(-1);
	});

	it('keeps the other row of a half-cut module', () => {
		const patches = [{ cells: 20, light: 0.2 }];
		const whole = at({ patches }, 4.5).voltage;
		const halved = at({ patches }, 4.5, { ...run, halfCut: true }).voltage;
		expect(whole).toBeLessThan(0);
		expect(halved).toBeGreaterThan(8);
	});
});

describe('a string of other parts', () => {
	const bus = (string = wholeString(MODULE_NOW, 10, 3, 0.4, 'A1')): BusCircuit => ({
		...parts,
		strings: [string]
	});
	const voc = new BusSource(bus()).openVoltage / 10;

	it('splits a run around a changed module and keeps its length', () => {
		const { modules } = withModule(bus().strings[0]!, 4, (m) => ({ ...m, state: 'reversed' }));
		expect(modules.map((m) => [m.count, m.state])).toEqual([
			[4, 'whole'],
			[1, 'reversed'],
			[5, 'whole']
		]);
	});

	it('counts what a dead device, a device without signal and a standby leave', () => {
		const device = (condition: 'works' | 'failed-off' | 'stuck-on', first: number) =>
			({ kind: 'rapid-shutdown', first, covers: 1, condition, offVolts: 0.6 }) as const;
		const [string] = bus().strings;
		const open = (devices: object[], transmitter: 'fed' | 'dead' = 'fed') =>
			new BusSource({
				...bus({ ...string!, devices: devices as never }),
				transmitter
			}).openVoltage;
		expect(open([device('works', 0)])).toBeCloseTo(10 * voc, 6);
		expect(open([device('failed-off', 2)])).toBeCloseTo(9 * voc + 0.6, 2);
		const all = Array.from({ length: 10 }, (_, i) => device('works', i));
		expect(open(all, 'dead')).toBeCloseTo(6, 1);
		expect(open([...all.slice(1), device('stuck-on', 0)], 'dead')).toBeCloseTo(5.4 + voc, 1);
		const off = new BusSource({ ...bus({ ...string!, devices: all }), transmitter: 'dead' });
		expect(off.currentAt(0)).toBeLessThan(0.01);
		const optimisers = all.map((d) => ({ ...d, kind: 'optimiser' as const, offVolts: 1 }));
		expect(open(optimisers)).toBeCloseTo(10, 1);
	});
});
