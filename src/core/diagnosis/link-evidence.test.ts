import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { HOLLIN_CREEK, SALTMARSH } from '../../../tests/support/sites';
import type { Reading } from '../visit';
import { acProbes, keyOfProbe, poleProbes, supplyProbes, weighLinks } from './link-evidence';
import type { ScopeProbe } from './scope';

const read = (probe: ScopeProbe, value: number): readonly [string, Reading] => [
	keyOfProbe(probe),
	readingAt({ kind: 'part', part: probe.part, point: probe.point }, probe.quantity, value)
];
const even = (links: readonly string[]) => links.map((link) => ({ link, share: 1 / links.length }));
const LINKS = ['supply-breaker', 'supply-disconnect', 'low-voltage', 'lamp', 'signal'];
const supply = supplyProbes(HOLLIN_CREEK.record);
const FED = [240, 240, 12, 1, 1];
const shareOf = (weighed: ReturnType<typeof weighLinks>, link: string) =>
	weighed.links.find((one) => one.link === link)!.share;

describe('the supply of shutdown devices', () => {
	it('is read in the order of its energy', () => {
		expect(supply.map(({ point }) => point)).toEqual(LINKS);
		for (const probe of supply) {
			expect(probe.predicted(null)!.value).toBeGreaterThan(0);
			expect(probe.predicted('supply-breaker')!.value).toBe(0);
		}
	});

	it.each(LINKS.map((link, at) => ({ link, at })))(
		'dark from $link on is that link, or none before it',
		({ link, at }) => {
			const standing = new Map(supply.map((probe, i) => read(probe, i < at ? FED[i]! : 0)));
			const weighed = weighLinks(supply, even(LINKS), standing);
			expect(shareOf(weighed, link)).toBeGreaterThan(0.9);
			expect(weighed.own).toBeGreaterThan(1);
		}
	);

	it('fed to the end clears every link', () => {
		const standing = new Map(supply.map((probe, i) => read(probe, FED[i]!)));
		expect(weighLinks(supply, even(LINKS), standing).own).toBeLessThan(0.01);
	});

	it('of which nothing is read leaves the shares as they were', () => {
		const weighed = weighLinks(supply, even(LINKS), new Map());
		expect(weighed).toEqual({ own: 1, links: even(LINKS) });
	});

	it('has shares that make one whole, whatever is read', () => {
		const voltage = fc.double({ min: 0, max: 300, noNaN: true });
		fc.assert(
			fc.property(fc.array(fc.option(voltage), { minLength: 5, maxLength: 5 }), (values) => {
				const standing = new Map(
					supply.flatMap((probe, i) => {
						const value = values[i];
						return value === null || value === undefined ? [] : [read(probe, value)];
					})
				);
				const { links, own } = weighLinks(supply, even(LINKS), standing);
				const sum = links.reduce((total, { share }) => total + share, 0);
				expect(sum === 0 || Math.abs(sum - 1) < 1e-9).toBe(true);
				expect(own).toBeGreaterThanOrEqual(0);
			})
		);
	});
});

describe('a switch that is closed', () => {
	const probes = poleProbes('q1');
	it('has both its poles in ohms; the open one names itself', () => {
		const standing = new Map([read(probes[0]!, 0.1), read(probes[1]!, 1e8)]);
		const weighed = weighLinks(probes, even(['positive', 'negative']), standing);
		expect(shareOf(weighed, 'negative')).toBeGreaterThan(0.99);
	});
});

describe('from the grid to the inverter', () => {
	it('every breaker and disconnect is read on both sides', () => {
		const probes = acProbes(SALTMARSH.record);
		expect(probes.length).toBeGreaterThanOrEqual(4);
		expect(new Set(probes.map(keyOfProbe)).size).toBe(probes.length);
		for (const probe of probes) expect(probe.quantity).toBe('ac-voltage');
	});
});
