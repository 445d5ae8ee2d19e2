import fc from 'fast-check';
import {
	BLOCKING_SCHOTTKY,
	BLOCKING_SILICON,
	type BusCircuit,
	BYPASS_DIODE,
	type Load,
	type ModuleRun,
	type StringCircuit,
	TYPICAL_BREAKDOWN,
	WHOLE_SUBSTRING
} from '$core/circuit';
import { FAULT_CODES, FAULTS, type Scale } from '$core/visit';
import type { PlacedFault } from '$core/faults';
import type { SingleDiode } from '$core/module';
import { MODULE_NOW } from './scenario';

/* Arrays of the trade, whole and faulty, for properties that must hold for all of them. */

/** Small and large modules in little or much light. */
const anyModule: fc.Arbitrary<SingleDiode> = fc
	.record({
		light: fc.double({ min: 0, max: 1.3, noNaN: true }),
		size: fc.double({ min: 0.3, max: 1.6, noNaN: true }),
		cells: fc.double({ min: 0.5, max: 1.5, noNaN: true })
	})
	.map(({ light: irradiance, size, cells }) => ({
		photocurrent: MODULE_NOW.photocurrent * irradiance * size,
		saturationCurrent: MODULE_NOW.saturationCurrent * size,
		seriesResistance: (MODULE_NOW.seriesResistance * cells) / size,
		shuntResistance: (MODULE_NOW.shuntResistance * cells) / size / Math.max(irradiance, 1e-3),
		modifiedIdeality: MODULE_NOW.modifiedIdeality * cells
	}));

const anyRun: fc.Arbitrary<ModuleRun> = fc
	.record({
		count: fc.integer({ min: 1, max: 6 }),
		params: anyModule,
		lights: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
		even: fc.boolean(),
		halfCut: fc.boolean()
	})
	.map(({ count, params, lights, even, halfCut }) => ({
		count,
		params,
		halfCut,
		state: 'whole',
		cellsInSeries: 60,
		sections: lights.map((irradiance) =>
			even ? WHOLE_SUBSTRING : { ...WHOLE_SUBSTRING, light: irradiance }
		)
	}));

const anyString = (name: string): fc.Arbitrary<StringCircuit> =>
	fc
		.record({
			modules: fc.array(anyRun, { minLength: 1, maxLength: 4 }),
			cableResistance: fc.double({ min: 0, max: 4, noNaN: true }),
			blocking: fc.constantFrom(null, BLOCKING_SILICON, BLOCKING_SCHOTTKY),
			devices: fc.constantFrom(null, 'rapid-shutdown' as const, 'optimiser' as const)
		})
		.map(({ modules, cableResistance, blocking, devices }) => ({
			name,
			modules,
			sectionsPerModule: 3,
			cableResistance,
			fuses: { positive: { rating: 15, state: 'whole' }, negative: null },
			blockingDiode: blocking && { ...blocking, state: 'whole' },
			devices: devices
				? [{ kind: devices, first: 0, covers: 1, condition: 'works', offVolts: 0.6 }]
				: []
		}));

const anyLoad: fc.Arbitrary<Load> = fc.oneof(
	fc.constant<Load>({ kind: 'open' }),
	fc.constant<Load>({ kind: 'short' }),
	fc
		.double({ min: 0.1, max: 1e7, noNaN: true })
		.map((resistance): Load => ({ kind: 'resistor', ohms: resistance })),
	fc
		.double({ min: -50, max: 900, noNaN: true })
		.map((voltage): Load => ({ kind: 'volts', volts: voltage })),
	fc
		.record({
			least: fc.double({ min: 0, max: 500, noNaN: true }),
			amps: fc.option(fc.double({ min: 1, max: 40, noNaN: true })),
			watts: fc.option(fc.double({ min: 10, max: 20_000, noNaN: true }))
		})
		.map(({ least, amps: current, watts: power }): Load => ({
			kind: 'tracker',
			window: { least, most: least + 400 },
			ampsAtMost: current,
			wattsAtMost: power
		})),
	fc
		.record({ volts: fc.double({ min: 10, max: 60, noNaN: true }), mppt: fc.boolean() })
		.map(({ volts: voltage, mppt }): Load => ({
			kind: 'battery',
			volts: voltage,
			controller: mppt ? 'mppt' : 'pwm',
			headroom: 5,
			ampsAtMost: 40
		}))
);

/** @param strings at most */
export function anyBus(strings = 4): fc.Arbitrary<BusCircuit> {
	return fc
		.record({
			strings: fc
				.integer({ min: 1, max: strings })
				.chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyString(`S${i + 1}`)))),
			load: anyLoad,
			breakdown: fc.constantFrom(null, TYPICAL_BREAKDOWN)
		})
		.map((bus) => ({ ...bus, bypass: BYPASS_DIODE }));
}

/** A fault of any code, somewhere on a bus of strings S1, S2 and so on. */
export const anyFault: fc.Arbitrary<PlacedFault> = fc
	.record({
		code: fc.constantFrom(...FAULT_CODES),
		string: fc.constantFrom('S1', 'S2'),
		module: fc.integer({ min: 0, max: 5 }),
		section: fc.integer({ min: 0, max: 2 }),
		share: fc.double({ min: 0, max: 1, noNaN: true }),
		other: anyModule
	})
	.map(({ code, string, module, section: substring, share, other }) => {
		const scale: Scale | null = FAULTS[code].scale;
		return {
			code,
			place: {
				string,
				module,
				section: substring,
				joint: module,
				other: string === 'S1' ? 'S2' : 'S1'
			},
			size: scale ? scale.least + share * (scale.most - scale.least) : undefined,
			other
		};
	});
