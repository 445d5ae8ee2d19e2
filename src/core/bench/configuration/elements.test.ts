import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { usedModules } from '../../../../tests/support/used-modules';
import { maximumPowerPoint, openCircuitVoltage } from '../../module';
import { moduleIn, WARM_SUN } from '../tested';
import { branchCurrent, build, type Element, type ConfigurationParts } from './elements';
import type { ArrayConfiguration } from './tree';

const POOL = usedModules(8, 5);
const PARTS: ConfigurationParts = {
	moduleOf: (id) => POOL.find((module) => module.id === id)!,
	sky: WARM_SUN,
	blocking: false
};
const leaf = (id: string, of = 'm0', irradiance = 1): ArrayConfiguration => ({
	kind: 'module',
	id,
	of,
	irradiance
});
const group = (
	kind: 'series' | 'parallel',
	id: string,
	...parts: ArrayConfiguration[]
): ArrayConfiguration => ({
	kind,
	id,
	parts
});
const elementOf = (mix: ArrayConfiguration, more: Partial<ConfigurationParts> = {}) =>
	build(mix, { ...PARTS, ...more }).element;
const voltage = openCircuitVoltage(moduleIn(POOL[0]!, WARM_SUN));

/** Trees of modules, a few deep. */
const anyConfiguration: fc.Arbitrary<ArrayConfiguration> = fc
	.letrec<{ tree: ArrayConfiguration; leaf: ArrayConfiguration }>((tie) => ({
		tree: fc.oneof(
			{ maxDepth: 3, withCrossShrink: true },
			tie('leaf'),
			fc
				.record({
					kind: fc.constantFrom('series' as const, 'parallel' as const),
					parts: fc.array(tie('tree'), { minLength: 1, maxLength: 3 })
				})
				.map(({ kind, parts }) => ({ kind, id: '', parts }))
		),
		leaf: fc
			.record({
				of: fc.constantFrom(...POOL.map(({ id }) => id)),
				irradiance: fc.double({ min: 0.3, max: 1, noNaN: true })
			})
			.map(({ of, irradiance }) => ({
				kind: 'module' as const,
				id: '',
				of,
				irradiance: irradiance
			}))
	}))
	.tree.map((mix) => {
		let n = 0;
		const named = (part: ArrayConfiguration): ArrayConfiguration =>
			part.kind === 'module'
				? { ...part, id: String(n++) }
				: { ...part, id: String(n++), parts: part.parts.map(named) };
		return named(mix);
	});
const solved = (element: Element, current: number) => {
	const out = { voltage: 0, slope: 0 };
	element.solve(current, out);
	return out;
};

describe('modules in series', () => {
	it('add their voltage at one current', () => {
		const two = elementOf(group('series', 's', leaf('1'), leaf('2')));
		const one = elementOf(leaf('1'));
		for (const current of [0, 2, 5])
			expect(two.voltageAt(current)).toBeCloseTo(2 * one.voltageAt(current), 4);
		expect(two.openVoltage).toBeCloseTo(2 * voltage, 3);
	});

	it('around a parallel group are one chain of elements, alike in current', () => {
		const pair = group('parallel', 'p', leaf('1'), leaf('2'));
		const { element, parts } = build(group('series', 's', pair, leaf('3')), PARTS);
		const current = element.currentAt(1.2 * voltage);
		expect(parts.get('p')!.voltageAt(current) + parts.get('3')!.voltageAt(current)).toBeCloseTo(
			1.2 * voltage,
			3
		);
	});
});

describe('modules in parallel', () => {
	it('add their current at one voltage', () => {
		const two = elementOf(group('parallel', 'p', leaf('1'), leaf('2')));
		const one = elementOf(leaf('1'));
		for (const at of [0, 20, 0.9 * voltage]) {
			expect(two.currentAt(at)).toBeCloseTo(2 * one.currentAt(at), 4);
		}
		expect(two.openVoltage).toBeCloseTo(voltage, 3);
	});

	it('have a current for each branch, and one where there is none', () => {
		const both = elementOf(group('parallel', 'p', leaf('1'), leaf('2', 'm0', 0.5)));
		const [lit, dim] = branchCurrent(both, 25);
		expect(dim! / lit!).toBeCloseTo(0.5, 1);
		expect(branchCurrent(elementOf(leaf('1')), 25)).toHaveLength(1);
	});

	it('of which one stands in the dark feed it, unless a diode blocks', () => {
		const strings = group(
			'parallel',
			'p',
			group('series', 'a', leaf('1'), leaf('2')),
			group('series', 'b', leaf('3', 'm0', 0.001), leaf('4', 'm0', 0.001))
		);
		const at = 1.95 * voltage;
		const [, fed] = branchCurrent(elementOf(strings), at);
		expect(fed).toBeLessThan(-0.1);
		const [, blocked] = branchCurrent(elementOf(strings, { blocking: true }), at);
		expect(blocked).toBeGreaterThan(-0.01);
	});
});

describe('a module that is shorted at its leads', () => {
	it('takes its voltage from the string, and lets the current pass', () => {
		const string = group('series', 's', leaf('1'), leaf('2'), leaf('3'));
		const whole = elementOf(string);
		const shorted = elementOf(string, { bridged: '2' });
		expect(shorted.openVoltage).toBeCloseTo(2 * voltage, 3);
		const { amps: current } = maximumPowerPoint(moduleIn(POOL[0]!, WARM_SUN));
		expect(whole.voltageAt(current) / shorted.voltageAt(current)).toBeCloseTo(1.5, 3);
	});
});

describe('any mix', () => {
	it('has the current back whose voltage it has', () => {
		fc.assert(
			fc.property(anyConfiguration, fc.double({ min: 0, max: 3, noNaN: true }), (mix, current) => {
				const element = elementOf(mix);
				expect(element.currentAt(element.voltageAt(current))).toBeCloseTo(current, 3);
			}),
			{ numRuns: 60 }
		);
	});

	it('conducts nothing at its open-circuit voltage, and falls from there', () => {
		fc.assert(
			fc.property(anyConfiguration, (mix) => {
				const element = elementOf(mix);
				expect(element.currentAt(element.openVoltage)).toBeCloseTo(0, 3);
				expect(element.currentAt(0.9 * element.openVoltage)).toBeGreaterThan(0);
			}),
			{ numRuns: 60 }
		);
	});

	it('has the slope that it says, as voltage by amps and as amps by volts', () => {
		fc.assert(
			fc.property(
				anyConfiguration,
				fc.double({ min: 0.2, max: 2, noNaN: true }),
				(mix, current) => {
					const element = elementOf(mix);
					const step = 1e-4;
					const { voltage: at, slope } = solved(element, current);
					const rise =
						(element.voltageAt(current + step) - element.voltageAt(current - step)) / (2 * step);
					expect(slope).toBeLessThan(0);
					expect(Math.abs(rise - slope)).toBeLessThan(0.05 * Math.abs(slope) + 1e-3);
					const out = { value: 0, slope: 0 };
					element.conduct(at, out);
					expect(out.value).toBeCloseTo(current, 3);
					expect(out.slope * slope).toBeCloseTo(1, 3);
				}
			),
			{ numRuns: 60 }
		);
	});

	it('has every one of its places by its id', () => {
		fc.assert(
			fc.property(anyConfiguration, (mix) => {
				const ids = (part: ArrayConfiguration): string[] =>
					part.kind === 'module' ? [part.id] : [part.id, ...part.parts.flatMap(ids)];
				const { parts } = build(mix, PARTS);
				expect([...parts.keys()].sort()).toEqual(ids(mix).sort());
			}),
			{ numRuns: 30 }
		);
	});
});
