import { describe, expect, it } from 'vitest';
import { trueBuses } from './circuits';
import { exactReadings, type Exact } from './exact';
import type { HiddenCode } from './planting';
import { drawScenario, type Scenario } from './scenario';

/* What an ideal meter shows obeys the circuit's own laws, whatever is hidden. */

const leaks = ({ record }: Scenario, share = 0.5, resistance = 1e9) =>
	new Map(record.strings.map(({ label }) => [label, { share, resistance }]));
const exactOf = (scenario: Scenario, acLimit = scenario.truth.acLimit): Exact =>
	exactReadings(
		{ ...scenario.truth, acLimit },
		trueBuses(scenario.record, scenario.truth),
		leaks(scenario)
	);
const wishes = { plain: true, strings: 5, modules: 12, devices: false, fused: true } as const;
const CODES = ['healthy', 'shade', 'soiling', 'module-degraded', 'bypass-diode-shorted'] as const;

describe.each(CODES)('an array with %s', (code) => {
	const scenario = drawScenario(61, { ...wishes, code });
	const { strings, inputs, ac } = exactOf(scenario, null);

	it('runs each string below its short-circuit current, each input below its open volts', () => {
		for (const { label, input } of scenario.record.strings) {
			const { voc, isc, running } = strings.get(label)!;
			expect(running).toBeLessThanOrEqual(isc + 1e-6);
			expect(running).toBeGreaterThan(0);
			expect(inputs.get(input!)!).toBeLessThan(Math.max(voc, inputs.get(input!)!) + 1e-6);
			expect(inputs.get(input!)!).toBeLessThan(voc * 1.02);
		}
	});

	it('feeds what its strings carry at the volts of their inputs', () => {
		const dc = scenario.record.strings.reduce(
			(sum, { label, input }) => sum + strings.get(label)!.running * inputs.get(input!)!,
			0
		);
		expect(ac).toBeLessThan(dc);
		expect(ac).toBeGreaterThan(0.93 * dc);
	});

	it('feeds no more than the inverter’s limit where it has one', () => {
		const limited = exactOf(scenario, 0.6 * ac);
		expect(limited.ac).toBeLessThanOrEqual(0.6 * ac * 1.001);
		expect(limited.ac).toBeGreaterThan(0.58 * ac);
		for (const { input } of scenario.record.strings) {
			// A tracker that holds back goes towards the open volts.
			expect(limited.inputs.get(input!)!).toBeGreaterThan(inputs.get(input!)!);
		}
	});
});

describe('an array that is stopped', () => {
	it.each(['inverter-no-ac', 'disconnect-open', 'rsd-no-signal'] as const)(
		'by %s carries no current where it is stopped',
		(code: HiddenCode) => {
			const scenario = drawScenario(17, {
				code,
				plain: true,
				...(code === 'rsd-no-signal' ? { devices: true } : { devices: false })
			});
			const [fault] = scenario.truth.faults;
			const exact = exactOf(scenario);
			for (const label of fault!.strings) expect(exact.strings.get(label)!.running).toBe(0);
			if (code !== 'disconnect-open') expect(exact.ac).toBe(0);
		}
	);

	it('by shutdown devices has next to no volts left', () => {
		const scenario = drawScenario(17, { code: 'rsd-no-signal', plain: true, devices: true });
		for (const { voc } of exactOf(scenario).strings.values()) {
			expect(voc).toBeGreaterThan(0);
			expect(voc).toBeLessThan(30);
		}
	});
});

describe('volts to earth', () => {
	it('of a sound string are small, and lie the way its insulation leaks', () => {
		const scenario = drawScenario(61, { ...wishes, code: 'healthy' });
		const buses = trueBuses(scenario.record, scenario.truth);
		const near = exactReadings(scenario.truth, buses, leaks(scenario, 0.1, 1e8));
		const far = exactReadings(scenario.truth, buses, leaks(scenario, 0.9, 1e8));
		for (const { label } of scenario.record.strings) {
			const { voc, positiveToEarth, negativeToEarth } = near.strings.get(label)!;
			expect(positiveToEarth).toBeGreaterThan(0);
			expect(negativeToEarth).toBeLessThan(0);
			expect(positiveToEarth - negativeToEarth).toBeLessThan(0.2 * voc);
			expect(far.strings.get(label)!.positiveToEarth).toBeLessThan(positiveToEarth);
		}
	});

	it('of one with an earth fault stand apart by its whole volts, and tell where', () => {
		const scenario = drawScenario(8, { ...wishes, code: 'earth-fault' });
		const [fault] = scenario.truth.faults;
		const { voc, positiveToEarth, negativeToEarth } = exactOf(scenario).strings.get(
			fault!.strings[0]!
		)!;
		expect(positiveToEarth - negativeToEarth).toBeGreaterThan(0.9 * voc);
		const up = -negativeToEarth / (positiveToEarth - negativeToEarth);
		expect(up).toBeCloseTo(fault!.at! / 12, 1);
	});
});
