import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { maximumPowerPoint, openCircuitVoltage } from '../module';
import { BusSource } from './bus';
import { CLOSED, withModule, wholeString, type BusCircuit } from './description';
import { BYPASS_DIODE } from './diode';
import type { Load } from './load';
import { operate } from './operate';
import { powerMaxima } from './maxima';
import { TYPICAL_BREAKDOWN } from './substring';
import { solveBus } from './state';

const string = wholeString(MODULE_NOW, 12, 3, 0, 'A1');
const bus = (load: Load, strings = [string]): BusCircuit => ({
	strings,
	load,
	bypass: BYPASS_DIODE,
	breakdown: TYPICAL_BREAKDOWN
});
const mpp = maximumPowerPoint(MODULE_NOW);
const tracker = (over: Partial<Extract<Load, { kind: 'tracker' }>> = {}): Load => ({
	kind: 'tracker',
	window: { least: 100, most: 800 },
	ampsAtMost: null,
	wattsAtMost: null,
	...over
});

describe('a tracker', () => {
	it('sits at the maximum of its module, twelve times', () => {
		const { volts: voltage, amps: current, limit } = solveBus(bus(tracker()));
		expect(voltage).toBeCloseTo(12 * mpp.volts, 3);
		expect(current).toBeCloseTo(mpp.amps, 4);
		expect(limit).toBe('none');
	});

	it('finds the global maximum past a local one', () => {
		const shaded = [0, 1, 2].reduce(
			(s, k) =>
				withModule(s, k, (m) => ({
					...m,
					sections: m.sections.map((substring) => ({ ...substring, light: 0.3 }))
				})),
			string
		);
		const maxima = powerMaxima(new BusSource(bus(tracker(), [shaded])));
		expect(maxima).toHaveLength(2);
		const { volts: voltage } = solveBus(bus(tracker(), [shaded]));
		expect(voltage).toBeCloseTo(maxima[0]!.volts, 3);
		expect(voltage).toBeLessThan(9.5 * mpp.volts);
	});

	it('cannot sit below its floor nor start below it', () => {
		const low = solveBus(bus(tracker({ window: { least: 13 * mpp.volts, most: null } })));
		expect(low).toMatchObject({ limit: 'window-floor', volts: 13 * mpp.volts });
		const none = solveBus(bus(tracker({ window: { least: 600, most: null } })));
		expect(none).toMatchObject({ limit: 'below-window', amps: 0, power: 0 });
		expect(none.volts).toBeCloseTo(12 * openCircuitVoltage(MODULE_NOW), 3);
	});

	it('moves towards open circuit where amps or watts are limited', () => {
		const clipped = solveBus(bus(tracker({ wattsAtMost: 2000 })));
		expect(clipped.power).toBeCloseTo(2000, 3);
		expect(clipped.volts).toBeGreaterThan(12 * mpp.volts);
		expect(clipped.limit).toBe('watts');
		const held = solveBus(bus(tracker({ ampsAtMost: 5 })));
		expect(held.amps).toBeCloseTo(5, 5);
		expect(held.limit).toBe('amps');
	});

	it('stays where it is stuck', () => {
		expect(solveBus(bus(tracker({ stuckAt: 250 }))).volts).toBe(250);
	});
});

describe('other loads', () => {
	const source = new BusSource(bus({ kind: 'open' }, [wholeString(MODULE_NOW, 1, 3, 0)]));

	it('meets a resistor on its line, a short at 0 V and a held bus at its volts', () => {
		const { volts: voltage, amps: current } = operate(source, { kind: 'resistor', ohms: 10 });
		expect(voltage / current).toBeCloseTo(10, 6);
		expect(operate(source, { kind: 'short' }).volts).toBe(0);
		expect(operate(source, { kind: 'volts', volts: 20 }).amps).toBeCloseTo(source.currentAt(20), 9);
	});

	it('gives a PWM battery its volts times the module’s amps, an MPPT battery the maximum', () => {
		const battery = { kind: 'battery', volts: 13, headroom: 5, ampsAtMost: null } as const;
		const pwm = operate(source, { ...battery, controller: 'pwm' });
		expect(pwm.power).toBeCloseTo(13 * source.currentAt(13), 6);
		const mppt = operate(source, { ...battery, controller: 'mppt' });
		expect(mppt.power).toBeCloseTo(mpp.volts * mpp.amps, 3);
		const limited = operate(source, { ...battery, controller: 'mppt', ampsAtMost: 10 });
		expect(limited.power).toBeCloseTo(130, 3);
	});

	it('charges nothing through a controller that wants more volts than there are', () => {
		const high = { kind: 'battery', volts: 48, headroom: 5, ampsAtMost: null } as const;
		expect(operate(source, { ...high, controller: 'mppt' }).limit).toBe('below-window');
		expect(operate(source, { ...high, controller: 'pwm' }).amps).toBe(0);
	});

	it('sees nothing behind a switch with one open pole', () => {
		const open = { ...bus(tracker()), disconnect: { ...CLOSED, positive: 'stuck-open' as const } };
		expect(solveBus(open)).toMatchObject({ amps: 0, power: 0 });
		const welded = { handle: 'off', positive: 'welded', negative: 'welded' } as const;
		expect(solveBus({ ...bus(tracker()), disconnect: welded }).amps).toBeGreaterThan(5);
	});
});
