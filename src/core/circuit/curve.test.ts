import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyBus } from '../../../tests/support/arrays';
import { BusSource, StringSource } from './bus';
import { curveOf } from './curve';

describe('a curve', () => {
	it('has in every point what one solve there gives, for strings in any light', () => {
		fc.assert(
			fc.property(anyBus(1), (bus) => {
				const source = new BusSource(bus);
				if (source.openVolts <= 0) return;
				const { volts, amps } = curveOf(source, 60);
				const string = StringSource.of(bus.strings[0]!, bus, 'bus');
				volts.forEach((v, i) => expect(v).toBeCloseTo(string.voltsAt(amps[i]!), 6));
			}),
			{ numRuns: 300 }
		);
	});

	it('goes from short circuit to open circuit, volts rising and amps falling', () => {
		fc.assert(
			fc.property(anyBus(3), (bus) => {
				const source = new BusSource(bus);
				if (source.openVolts <= 1 || source.ampsAt(0) <= 0.01) return;
				const { volts, amps } = curveOf(source, 100);
				expect(volts[0]).toBeCloseTo(0, 4);
				expect(volts.at(-1)).toBeCloseTo(source.openVolts, 5);
				for (let i = 1; i < volts.length; i++) {
					expect(volts[i]).toBeGreaterThanOrEqual(volts[i - 1]! - 1e-9);
					expect(amps[i]).toBeLessThanOrEqual(amps[i - 1]! + 1e-9);
				}
			}),
			{ numRuns: 200 }
		);
	});
});
