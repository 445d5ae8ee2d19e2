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
				if (source.openVoltage <= 0) return;
				const { volts: voltage, amps: current } = curveOf(source, 60);
				const string = StringSource.of(bus.strings[0]!, bus, 'bus');
				voltage.forEach((v, i) => expect(v).toBeCloseTo(string.voltageAt(current[i]!), 6));
			}),
			{ numRuns: 300 }
		);
	});

	it('goes from short circuit to open circuit, volts rising and amps falling', () => {
		fc.assert(
			fc.property(anyBus(3), (bus) => {
				const source = new BusSource(bus);
				if (source.openVoltage <= 1 || source.currentAt(0) <= 0.01) return;
				const { volts: voltage, amps: current } = curveOf(source, 100);
				expect(voltage[0]).toBeCloseTo(0, 4);
				expect(voltage.at(-1)).toBeCloseTo(source.openVoltage, 5);
				for (let i = 1; i < voltage.length; i++) {
					expect(voltage[i]).toBeGreaterThanOrEqual(voltage[i - 1]! - 1e-9);
					expect(current[i]).toBeLessThanOrEqual(current[i - 1]! + 1e-9);
				}
			}),
			{ numRuns: 200 }
		);
	});
});
