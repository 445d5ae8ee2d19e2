import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { arrayRecord } from '../../../tests/support/scenario';
import { type Place, type Quantity, usualState } from '../visit';
import { faultOf, type StringFaultCode } from '../faults';
import { earthDensities } from './earth-evidence';
import { predictAt } from './predict-at';
import type { ConditionsAtString } from './here';
import { onScale } from './part-figures';
import { weighLocated } from './located';
import type { Suspect } from './suspect';
import { runsInWords, withinOf } from './within';

const { strings, moduleTypes } = arrayRecord();
const string = {
	...strings[0]!,
	devices: { kind: 'rapid-shutdown', modulesPerDevice: 1, part: null }
} as const;
const here: ConditionsAtString = {
	string,
	type: moduleTypes[0]!,
	moduleVoltage: 38,
	moduleCurrent: 8,
	running: 7.5,
	deviceVoltage: 0.6,
	fuseRating: 15
};
const suspect = (code: StringFaultCode, at: number, size?: number): Suspect => {
	const fault = faultOf(code);
	const [severity] = fault.severities;
	return { fault, severity: { ...severity, size: size ?? severity.size }, at };
};
const predicted = (place: Place, quantity: Quantity, of: Suspect | null) =>
	predictAt({ place, quantity, state: usualState(quantity) }, of, here)!.value!;
const segment = (from: number, to: number): Place => ({
	kind: 'stretch',
	string: string.id,
	from,
	to
});
const module = (number: number, substring: number | null = null): Place => ({
	kind: 'module',
	string: string.id,
	module: number,
	section: substring
});

describe('what a reading at one place would show', () => {
	it('is nothing where the break lies inside the stretch, and all of it elsewhere', () => {
		const broken = suspect('connector-open', 4);
		expect(predicted(segment(0, 6), 'stretch-voltage', broken)).toBe(0);
		expect(predicted(segment(6, 12), 'stretch-voltage', broken)).toBeCloseTo(6 * 38, 9);
		// Parted at the bad joint itself, both halves give their volts.
		expect(predicted(segment(0, 4), 'stretch-voltage', broken)).toBeCloseTo(4 * 38, 9);
		expect(predicted(segment(4, 12), 'stretch-voltage', broken)).toBeCloseTo(8 * 38, 9);
		// The home runs belong to the outer stretches.
		expect(predicted(segment(0, 3), 'stretch-voltage', suspect('connector-open', 0))).toBe(0);
	});

	it('lacks what the faulty part does not give', () => {
		const within = (of: Suspect) => predicted(segment(0, 12), 'stretch-voltage', of) / 38;
		expect(within(suspect('bypass-diode-shorted', 3 * 5 + 1))).toBeCloseTo(12 - 1 / 3, 9);
		expect(within(suspect('module-shorted', 2))).toBeCloseTo(11, 9);
		expect(within(suspect('module-reversed', 2))).toBeCloseTo(10, 9);
		expect(within(suspect('rsd-device-off', 2))).toBeCloseTo(11 + 0.6 / 38, 9);
		expect(within(suspect('module-open', 2))).toBe(0);
	});

	it('tells a shorted diode from an open section by the diode alone', () => {
		const at = 3 * 5 + 1;
		for (const code of ['bypass-diode-shorted', 'section-open'] as const) {
			expect(predicted(module(6, 2), 'section-voltage', suspect(code, at))).toBeCloseTo(0, 9);
			expect(predicted(module(6, 1), 'section-voltage', suspect(code, at))).toBeGreaterThan(12);
		}
		expect(
			predicted(module(6, 2), 'diode-reverse', suspect('bypass-diode-shorted', at))
		).toBeLessThan(0.1);
		expect(predicted(module(6, 2), 'diode-reverse', suspect('section-open', at))).toBeGreaterThan(
			9
		);
	});

	it('is the module’s own volts ahead of a device that is off, and the device’s behind it', () => {
		const off = suspect('rsd-device-off', 3);
		expect(predicted(module(4), 'open-circuit-voltage', off)).toBe(38);
		expect(predicted(module(4), 'device-output', off)).toBe(0.6);
		expect(predicted(module(5), 'device-output', off)).toBe(38);
	});

	it('weighs ohms by their tens: a blown fuse at its pole', () => {
		const fuse = (pole: 'positive' | 'negative'): Place => ({
			kind: 'fuse',
			string: string.id,
			pole
		});
		expect(
			predicted(fuse('positive'), 'fuse-resistance', suspect('fuse-blown', 0))
		).toBeGreaterThan(5);
		expect(predicted(fuse('negative'), 'fuse-resistance', suspect('fuse-blown', 0))).toBeLessThan(
			0
		);
		expect(onScale({ quantity: 'fuse-resistance', value: 100 })).toBeCloseTo(2, 9);
		expect(onScale({ quantity: 'open-circuit-voltage', value: 100 })).toBe(100);
	});

	it('looks: a count, a shadow, a label, warmth, cleaning', () => {
		const whole: Place = { kind: 'string', string: string.id };
		expect(predicted(whole, 'module-count', suspect('module-missing', 0, 1))).toBe(11);
		expect(predicted(whole, 'module-count', suspect('module-shorted', 3))).toBe(12);
		expect(predicted(whole, 'shade-seen', suspect('shade', 0, 0.5))).toBe(1);
		expect(predicted(whole, 'shade-seen', null)).toBe(0);
		expect(predicted(whole, 'cleaning-gain', suspect('soiling', 0, 0.2))).toBeCloseTo(25, 6);
		expect(
			predicted(
				{ kind: 'joint', string: string.id, joint: 7 },
				'joint-rise',
				suspect('connector-resistive', 7, 5)
			)
		).toBeGreaterThan(10);
	});
});

describe('poles to earth', () => {
	it('find a fault at its joint, whatever its ohms, and none where both drift', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 0, max: 12 }),
				fc.double({ min: 2.5, max: 4.6, noNaN: true }),
				(connector, tens) => {
					const seen = 1e7 / (1e7 + 10 ** tens);
					const voltage = 450;
					const { sound, faulty } = earthDensities(
						{
							positive: (1 - connector / 12) * seen * voltage,
							negative: (-connector / 12) * seen * voltage
						},
						voltage,
						12
					);
					expect(faulty.indexOf(Math.max(...faulty))).toBe(connector);
					expect(faulty[connector]!).toBeGreaterThan(20 * sound);
				}
			)
		);
		const { sound, faulty } = earthDensities({ positive: 41, negative: -23 }, 450, 12);
		expect(Math.max(...faulty)).toBeLessThan(sound);
	});
});

describe('places', () => {
	it('are narrowed by a reading to where it leaves room', () => {
		const readings = [readingAt(segment(0, 6), 'stretch-voltage', 0.2)];
		const fault = faultOf('connector-open');
		const one = { faults: [{ fault, severity: fault.severities[0] }], prior: 1 };
		const { at } = weighLocated(
			one,
			{
				here,
				readings,
				earth: null,
				earthRead: { positive: null, negative: null }
			},
			1
		);
		const total = at.reduce((sum, weight) => sum + weight, 0);
		const within = withinOf(
			'joint',
			at.map((weight) => weight / total),
			here
		)!;
		expect(within.at).toEqual([0, 1, 2, 3, 4, 5]);
		expect(within.words).toMatch(/connectors/);
	});

	it('are told in runs, and not at all while each is as likely as another', () => {
		expect(runsInWords([1, 2, 3, 7, 9, 10])).toBe('1 to 3, 7, 9 to 10');
		expect(withinOf('module', Array<number>(12).fill(1 / 12), here)).toBeNull();
		const sure = Array.from({ length: 36 }, (_, i) => (i === 16 ? 1 : 0));
		expect(withinOf('section', sure, here)).toMatchObject({
			likeliest: 16,
			words: 'module 6, substring 2'
		});
	});
});
