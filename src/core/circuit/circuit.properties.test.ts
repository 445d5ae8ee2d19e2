import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyBus, anyFault } from '../../../tests/support/arrays';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { inject } from '../faults';
import { BusSource, StringSource } from './bus';
import { curveOf } from './curve';
import { wholeString, type BusCircuit } from './description';
import { detailOf } from './detail';
import { BYPASS_DIODE } from './diode';
import { powerMaxima } from './maxima';
import { TYPICAL_BREAKDOWN } from './substring';
import { solveBus, sourceOf } from './state';

/** Faults put in as far as they find their place. */
function withFaults(bus: BusCircuit, faults: readonly Parameters<typeof inject>[1][]): BusCircuit {
	return faults.reduce((faulty, fault) => {
		const injected = inject(faulty, fault);
		return injected.ok ? injected.value.bus : faulty;
	}, bus);
}

const faulty = fc
	.tuple(anyBus(), fc.array(anyFault, { maxLength: 3 }))
	.map(([bus, faults]) => withFaults(bus, faults));

describe('any array with any faults', () => {
	it('has a state on its load, every figure of it finite', () => {
		fc.assert(
			fc.property(faulty, (bus) => {
				const state = solveBus(bus);
				const figures = [state.volts, state.amps, state.power, state.earth ?? 0, ...state.branches];
				// One expectation for all: the makings of thousands times six take longer than the solving.
				expect(figures.filter((figure) => !Number.isFinite(figure))).toEqual([]);
			}),
			// Other arrays at every run of the tests, so that they add up.
			{ numRuns: 2000 }
		);
	});

	it('falls in volts as current rises, string by string', () => {
		fc.assert(
			fc.property(
				faulty,
				fc.double({ min: -3, max: 15, noNaN: true }),
				fc.double({ min: 1e-3, max: 3, noNaN: true }),
				(bus, current, more) => {
					for (const string of bus.strings) {
						const source = StringSource.of(string, bus, 'bus');
						const voltage = source.voltageAt(current);
						expect(source.voltageAt(current + more)).toBeLessThan(voltage);
					}
				}
			),
			{ numRuns: 500 }
		);
	});

	it('has current at volts as the inverse of volts at current', () => {
		fc.assert(
			fc.property(faulty, fc.double({ min: 0, max: 10, noNaN: true }), (bus, current) => {
				for (const string of bus.strings) {
					const source = StringSource.of(string, bus, 'bus');
					const voltage = source.voltageAt(current);
					const back = source.currentAt(voltage);
					// Where the curve is steep one of the two says little: behind an open path, or in the dark,
					// the volts; a microampere is then the solver's own grain.
					const missed = Math.min(
						Math.abs(back - current),
						Math.abs(source.voltageAt(back) - voltage) / (1 + Math.abs(voltage))
					);
					expect(missed).toBeLessThan(1e-6);
				}
			}),
			{ numRuns: 500 }
		);
	});

	it('gives its load the sum of its branch currents, and the power of its parts', () => {
		fc.assert(
			fc.property(faulty, (bus) => {
				const state = solveBus(bus);
				if (state.earth !== null || state.limit === 'amps') return;
				const sum = state.branches.reduce((total, current) => total + current, 0);
				expect(sum).toBeCloseTo(state.amps, 5);
				const { parts } = detailOf(state);
				const power = parts.reduce((total, part) => total + part.watts, 0);
				const size = parts.reduce((total, part) => total + Math.abs(part.watts), 1);
				// A few millionths of the power, and the solver's grain: as many microamperes at the volts of the bus.
				const grain = 3e-6 * (size + Math.abs(state.volts));
				expect(Math.abs(power - state.power)).toBeLessThan(grain);
			}),
			{ numRuns: 500 }
		);
	});

	it('is not changed by the order of its strings', () => {
		fc.assert(
			fc.property(anyBus(), (bus) => {
				const turned = { ...bus, strings: [...bus.strings].reverse() };
				const [a, b] = [solveBus(bus), solveBus(turned)];
				expect(b.volts).toBeCloseTo(a.volts, 5);
				expect(b.amps).toBeCloseTo(a.amps, 5);
				b.branches
					.toReversed()
					.forEach((current, i) => expect(current).toBeCloseTo(a.branches[i]!, 4));
			}),
			{ numRuns: 200 }
		);
	});

	it('has no point of its curve above its greatest maximum', () => {
		fc.assert(
			fc.property(faulty, (bus) => {
				if (bus.earth?.length) return;
				const source = sourceOf(bus);
				if (source.openVoltage <= 0) return;
				const [best] = powerMaxima(source);
				const { volts: voltage, amps: current } = curveOf(source, 300);
				const most = Math.max(...voltage.map((v, i) => v * current[i]!));
				expect(most).toBeLessThanOrEqual((best ? best.volts * best.amps : 0) * (1 + 1e-6) + 1e-6);
			}),
			{ numRuns: 100 }
		);
	});
});

describe('light', () => {
	it('never lowers the short-circuit current when it grows', () => {
		fc.assert(
			fc.property(anyBus(1), fc.double({ min: 1, max: 1.5, noNaN: true }), (bus, more) => {
				const brighter = {
					...bus,
					strings: bus.strings.map((string) => ({
						...string,
						modules: string.modules.map((run) => ({
							...run,
							sections: run.sections.map((substring) => ({
								...substring,
								light: substring.light * more
							}))
						}))
					}))
				};
				const isc = (b: BusCircuit) => new BusSource(b).currentAt(0);
				expect(isc(brighter)).toBeGreaterThanOrEqual(isc(bus) * (1 - 1e-9) - 1e-9);
			}),
			{ numRuns: 300 }
		);
	});
});

describe('a healthy array of equal strings', () => {
	it('feeds nothing back at any volts it can have', () => {
		const strings = ['A1', 'A2', 'A3'].map((name) => wholeString(MODULE_NOW, 12, 3, 0.4, name));
		const source = new BusSource({ strings, bypass: BYPASS_DIODE, breakdown: TYPICAL_BREAKDOWN });
		fc.assert(
			fc.property(fc.double({ min: 0, max: 1, noNaN: true }), (share) => {
				for (const current of source.branchesAt(share * source.openVoltage)) {
					expect(current).toBeGreaterThan(-1e-9);
				}
			})
		);
	});
});
