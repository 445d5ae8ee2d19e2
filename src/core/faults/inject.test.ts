import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import {
	BLOCKING_SILICON,
	type BusCircuit,
	BYPASS_DIODE,
	CLOSED,
	moduleCountOf,
	solveBus,
	TYPICAL_BREAKDOWN,
	wholeString
} from '../circuit';
import { fitLabel, openCircuitVoltage, translate } from '../module';
import { NAMEPLATE } from '../../../tests/support/scenario';
import { FAULT_CODES, type FaultCode } from '../visit';
import { inject, type PlacedFault } from './inject';

const voc = openCircuitVoltage(MODULE_NOW);
const fuses = {
	positive: { rating: 15, state: 'whole' },
	negative: { rating: 15, state: 'whole' }
} as const;
const string = (name: string) => ({
	...wholeString(MODULE_NOW, 12, 3, 0.4, name),
	fuses,
	blockingDiode: { ...BLOCKING_SILICON, state: 'whole' as const }
});
const bus: BusCircuit = {
	strings: [string('A1'), string('A2')],
	bypass: BYPASS_DIODE,
	breakdown: TYPICAL_BREAKDOWN,
	load: { kind: 'tracker', window: { least: 100, most: 800 }, ampsAtMost: null, wattsAtMost: null }
};
const withDevices = (kind: 'rapid-shutdown' | 'optimiser', offVoltage: number): BusCircuit => ({
	...bus,
	strings: bus.strings.map((s) => ({
		...s,
		devices: Array.from({ length: 12 }, (_, first) => ({
			kind,
			first,
			covers: 1,
			condition: 'works' as const,
			offVolts: offVoltage
		}))
	}))
});
const put = (code: FaultCode, over: Partial<PlacedFault> = {}, into = bus) => {
	const injected = inject(into, { code, place: { string: 'A1', module: 4, joint: 5 }, ...over });
	if (!injected.ok) throw new Error(injected.problem);
	return injected.value;
};
const state = (code: FaultCode, over: Partial<PlacedFault> = {}, into = bus) =>
	solveBus(put(code, over, into).bus);
/** Open-circuit volts of the faulty string alone, in modules. */
const modules = (code: FaultCode, over: Partial<PlacedFault> = {}, into = bus) => {
	const { bus: faulty } = put(code, over, into);
	const alone = { ...faulty, strings: [faulty.strings[0]!], load: { kind: 'open' } as const };
	return solveBus(alone).volts / voc;
};
const whole = solveBus(bus);
const other = translate(fitLabel({ ...NAMEPLATE, voc: 30, vmp: 24.5 }), 812, 46);

describe('a fault put in by its code', () => {
	it.each<[FaultCode, number, Partial<PlacedFault>?]>([
		['bypass-diode-shorted', 12 - 1 / 3],
		['section-open', 12 - 1 / 3],
		['section-resistive', 12],
		['bypass-diode-open', 12],
		['module-shorted', 11],
		['module-missing', 10, { size: 2 }],
		['module-extra', 13],
		['module-reversed', 10],
		['module-degraded', 12],
		['connector-reversed', -12],
		['connector-resistive', 12],
		['soiling', 11.95],
		['unequal-parallel', 11],
		['strings-swapped', 12, { place: { string: 'A1', other: 'A2' } }]
	])('%s leaves %f modules’ volts at open circuit', (code, expected, over) => {
		expect(Math.abs(modules(code, over) - expected)).toBeLessThan(0.04);
	});

	it.each<[FaultCode, Partial<PlacedFault>?]>([
		['module-open'],
		['connector-open'],
		['fuse-blown'],
		['blocking-diode-open'],
		['disconnect-open'],
		['inverter-no-ac'],
		['arc-fault'],
		['gfdi-fuse-blown']
	])('%s lets no current of its string through', (code, over) => {
		expect(Math.abs(state(code, over).branches[0]!)).toBeLessThan(1e-5);
	});

	it.each<[FaultCode, Partial<PlacedFault>?]>([
		['section-resistive', { size: 2 }],
		['module-degraded', { size: 0.3 }],
		['module-pid'],
		['module-wrong-type', { other }],
		['hot-cell', { size: 0.9 }],
		['soiling', { size: 0.2 }],
		['shade'],
		['connector-resistive'],
		['module-reversed'],
		['inverter-derating', { size: 500 }],
		['clipping', { size: 500 }],
		['mppt-mode-wrong', { size: 250 }],
		['unequal-parallel']
	])('%s costs power', (code, over) => {
		expect(state(code, over).power).toBeLessThan(whole.power * 0.999);
	});

	it('lets shade on a whole module or on one section be told apart by its place', () => {
		const lit = (place: object) =>
			put('shade', {
				place: { string: 'A1', ...place },
				size: 0.5
			}).bus.strings[0]!.modules[1]!.sections.map(({ light: irradiance }) => irradiance);
		expect(lit({ module: 4 })).toEqual([0.5, 0.5, 0.5]);
		expect(lit({ module: 4, section: 1 })).toEqual([1, 0.5, 1]);
	});

	it('shows an open diode only where there is shade', () => {
		expect(state('bypass-diode-open').power).toBeCloseTo(whole.power, 3);
		const shaded = put('shade', { place: { string: 'A1', module: 4, section: 0 } }).bus;
		const open = put('bypass-diode-open', {}, shaded).bus;
		expect(solveBus(open).power).toBeLessThan(solveBus(shaded).power * 0.95);
	});

	it('lets a shorted blocking diode feed back a dark string', () => {
		const dark = put('soiling', { size: 0.97 }).bus;
		const open = { kind: 'open' } as const;
		expect(solveBus({ ...dark, load: open }).branches[0]).toBeCloseTo(0, 4);
		const fed = put('blocking-diode-shorted', {}, dark).bus;
		expect(solveBus({ ...fed, load: open }).branches[0]).toBeLessThan(-0.5);
	});

	it('keeps a welded pole closed when its handle is off', () => {
		const off = { ...bus, disconnect: { ...CLOSED, handle: 'off' as const } };
		expect(solveBus(off).amps).toBe(0);
		const one = put('disconnect-welded', { place: { pole: 'positive' } }, off).bus;
		expect(solveBus(one).amps).toBe(0);
		const both = put('disconnect-welded', { place: { pole: 'negative' } }, one).bus;
		expect(solveBus(both).amps).toBeCloseTo(whole.amps, 6);
		const string = put('disconnect-welded').bus.strings[0]!;
		expect(string.disconnect).toMatchObject({ positive: 'welded' });
	});

	it('shuts devices down, leaves one behind, or leaves one on', () => {
		const devices = withDevices('rapid-shutdown', 0.6);
		const silent = put('rsd-no-signal', {}, devices).bus;
		expect(modules('rsd-no-signal', {}, devices)).toBeCloseTo((12 * 0.6) / voc, 2);
		expect(solveBus(silent).power).toBeLessThan(0.1);
		expect(modules('rsd-device-off', {}, devices)).toBeCloseTo(11 + 0.6 / voc, 2);
		expect(modules('rsd-device-stuck-on', {}, silent)).toBeCloseTo(1 + (11 * 0.6) / voc, 2);
		const standby = withDevices('optimiser', 1);
		expect(modules('optimiser-dead', {}, standby) * voc).toBeCloseTo(11, 1);
	});

	it('joins the circuit to earth where the fault says', () => {
		for (const code of ['earth-fault', 'cable-damaged', 'moisture-intermittent'] as const) {
			expect(put(code).bus.earth).toMatchObject([{ at: { string: 'A1', joint: 5 } }]);
		}
		expect(put('spd-failed', { place: { pole: 'negative' } }).bus.earth).toMatchObject([
			{ at: 'bus-' }
		]);
		const earthed = { ...bus, earth: [{ at: 'bus-' as const, resistance: 1 }] };
		expect(put('gfdi-fuse-blown', {}, earthed).bus.earth).toEqual([]);
	});

	it('changes a fuse’s rating, a controller and the number of modules, and nothing else', () => {
		expect(put('fuse-wrong-rating', { size: 30 }).bus.strings[0]!.fuses!.positive!.rating).toBe(30);
		const battery = {
			...bus,
			load: {
				kind: 'battery',
				volts: 48,
				controller: 'mppt',
				headroom: 5,
				ampsAtMost: null
			} as const
		};
		expect(state('controller-mismatch', {}, battery).power).toBeLessThan(
			solveBus(battery).power / 4
		);
		expect(moduleCountOf(put('module-extra', { size: 3 }).bus.strings[0]!)).toBe(15);
	});

	it('says of every other code that no circuit shows it', () => {
		const silent = FAULT_CODES.filter((code) => {
			const injected = inject(bus, { code, place: { string: 'A1', other: 'A2' }, other });
			return injected.ok && injected.value.unchanged !== null;
		});
		expect(silent).toEqual([
			'micro-inverter-dead',
			'record-wrong',
			'reading-wrong',
			'conditions-wrong'
		]);
	});

	it.each<[PlacedFault, RegExp]>([
		[{ code: 'module-open', place: { string: 'Z9' } }, /no string Z9/],
		[{ code: 'module-open', place: { string: 'A1', module: 12 } }, /12 modules.*no module 13/],
		[{ code: 'section-open', place: { string: 'A1', section: 3 } }, /3 substrings/],
		[{ code: 'connector-open', place: { string: 'A1', joint: 13 } }, /connectors 0 to 12/],
		[{ code: 'connector-resistive', place: { string: 'A1' }, size: 5000 }, /0.01 to 1000 ohm/],
		[{ code: 'rsd-device-off', place: { string: 'A1' } }, /no such device/],
		[{ code: 'module-wrong-type', place: { string: 'A1' } }, /Another module type/],
		[{ code: 'strings-swapped', place: { string: 'A1', other: 'B7' } }, /no string B7/],
		[{ code: 'controller-mismatch', place: {} }, /battery/]
	])('refuses %j in words', (fault, words) => {
		expect(inject(bus, fault)).toMatchObject({
			ok: false,
			problem: expect.stringMatching(words)
		});
	});

	it('refuses parts that are not there', () => {
		const bare: BusCircuit = {
			...bus,
			load: { kind: 'open' },
			strings: [wholeString(MODULE_NOW, 12, 3, 0.4, 'A1')]
		};
		for (const code of [
			'fuse-blown',
			'blocking-diode-open',
			'mppt-mode-wrong',
			'clipping'
		] as const) {
			expect(inject(bare, { code, place: { string: 'A1' } }).ok).toBe(false);
		}
	});
});
