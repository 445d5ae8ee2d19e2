import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { HARROWGILL } from '../../../demo/module-batch';
import {
	fitLabel,
	maximumPowerPoint,
	openCircuitVoltage,
	shortCircuitCurrent,
	translate,
	voltageAt
} from '../module';
import { fillFactorOf } from './fill-factor';
import { nameplateOf } from './nameplate-of';

const HERE = translate(fitLabel(nameplateOf(HARROWGILL)!.nameplate), 800, 45);

describe('a third point of the curve', () => {
	it('gives the maximum of a module with more series resistance, wherever near it the point lies', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 0, max: 1.2, noNaN: true }),
				fc.double({ min: 0.75, max: 0.96, noNaN: true }),
				(resistance, share) => {
					const grown = { ...HERE, seriesResistance: HERE.seriesResistance + resistance };
					const [open, short] = [openCircuitVoltage(grown), shortCircuitCurrent(grown)];
					const current = share * short;
					const load = { volts: voltageAt(grown, current), amps: current };
					const found = fillFactorOf(HERE, open, short, load)!;
					const best = maximumPowerPoint(grown);
					expect(found.power / (best.volts * best.amps)).toBeGreaterThan(0.97);
					expect(found.power / (best.volts * best.amps)).toBeLessThan(1.03);
				}
			)
		);
	});

	it.each([
		['above the open circuit', 60, 5],
		['next to the open circuit', 34, 0.4],
		['at the short circuit', 2, 8.1]
	])('%s tells nothing', (_, voltage, current) => {
		expect(fillFactorOf(HERE, 34.5, 6.6, { volts: voltage, amps: current })).toBeNull();
	});
});
