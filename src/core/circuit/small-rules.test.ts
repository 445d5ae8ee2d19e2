import { describe, expect, it } from 'vitest';
import { MODULE_NOW } from '../../../tests/support/scenario';
import { StringSource } from './bus';
import { cableResistance } from './cable';
import { wholeString } from './description';
import {
	BLOCKING_SCHOTTKY,
	BLOCKING_SILICON,
	BYPASS_DIODE,
	diodeSlope,
	diodeVoltage
} from './diode';
import { fuseVerdict } from './fuse';
import { quickRule, whereTheyPart, type Arrangement } from './quick-rule';

describe('diodes', () => {
	it('drop what their kind drops at 10 A', () => {
		expect(diodeVoltage(BYPASS_DIODE, 10)).toBeCloseTo(0.45, 2);
		expect(diodeVoltage(BLOCKING_SILICON, 10)).toBeCloseTo(1.06, 2);
		expect(diodeVoltage(BLOCKING_SCHOTTKY, 10)).toBeCloseTo(0.5, 2);
	});

	it('rise in volts with current through both signs, with the slope they say', () => {
		for (const current of [-1e-5, -1e-7, 0, 1e-9, 1e-3, 5]) {
			const step = Math.max(Math.abs(current), 1e-9) * 1e-4;
			const voltage = diodeVoltage(BLOCKING_SILICON, current);
			const rise =
				(diodeVoltage(BLOCKING_SILICON, current + step) -
					diodeVoltage(BLOCKING_SILICON, current - step)) /
				(2 * step);
			expect(rise / diodeSlope(BLOCKING_SILICON, voltage)).toBeCloseTo(1, 3);
		}
	});
});

describe('cable', () => {
	it('counts the way there and back, and its heat', () => {
		expect(cableResistance({ length: 50, size: 4, temperature: 20 })).toBeCloseTo(0.43, 6);
		expect(cableResistance({ length: 50, size: 4, temperature: 70 })).toBeCloseTo(0.43 * 1.1965, 6);
		const known = {
			...wholeString(MODULE_NOW, 12, 3, 0),
			cable: { length: 50, size: 4, temperature: 20 }
		};
		const typed = wholeString(MODULE_NOW, 12, 3, 0.43);
		const around = { bypass: BYPASS_DIODE, breakdown: null };
		const voltage = (string: typeof known | typeof typed) =>
			StringSource.of(string, around, 'bus').voltageAt(8);
		expect(voltage(known)).toBeCloseTo(voltage(typed), 9);
	});
});

describe('a fuse', () => {
	it('holds, opens, and between says that nothing is certain', () => {
		expect(fuseVerdict(11.2, 10)).toBe('holds');
		expect(fuseVerdict(12, 10)).toBe('uncertain');
		expect(fuseVerdict(-14.5, 10)).toBe('opens');
	});
});

describe('where the curve parts from the quick rule', () => {
	const weak: Arrangement = {
		kind: 'series',
		of: [
			{ kind: 'module', volts: 40, amps: 10 },
			{ kind: 'module', volts: 40, amps: 2 }
		]
	};
	it('is said in words with its size, or not at all', () => {
		const quick = quickRule(weak);
		expect(quick).toMatchObject({ watts: 160, labelWatts: 480 });
		expect(whereTheyPart(quick, { volts: 39, amps: 10 }, [10])).toMatch(/144 % more.*bypass/);
		expect(whereTheyPart(quick, { volts: 81, amps: 2 }, [2])).toBeNull();
		expect(whereTheyPart(quick, { volts: 70, amps: 2 }, [2])).toMatch(/less.*resistance/);
		expect(whereTheyPart(quick, { volts: 80, amps: 1.5 }, [3, -1.5])).toMatch(/one string is fed/);
		expect(whereTheyPart(quick, { volts: 90, amps: 2 }, [2])).toMatch(/more.*keep their voltage/);
		expect(quickRule({ kind: 'parallel', of: [] }).watts).toBe(0);
	});
});
