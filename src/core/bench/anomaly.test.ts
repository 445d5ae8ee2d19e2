import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anomalies, type Shares } from './anomaly';
import { DANGEROUS_LOOKS } from './module-batch';

const codes = (shares: Partial<Shares>, substrings = 3, spread = 0) =>
	anomalies({ voltage: null, current: null, power: null, ...shares }, substrings, spread, {
		looks: []
	}).map(({ code }) => code);

describe('what is odd about a used module', () => {
	it.each([
		['as it should be', { voltage: 1, current: 0.97 }, []],
		['a third of its voltage gone', { voltage: 0.667, current: 0.98 }, ['section-gone']],
		['two thirds of them gone', { voltage: 0.34, current: 0.98 }, ['section-gone']],
		['volts low, but by no section', { voltage: 0.88, current: 0.98 }, ['volts-low']],
		['amps low alone', { voltage: 1, current: 0.7 }, ['current-low']],
		['volts without amps', { voltage: 1, current: 0 }, ['no-current']],
		['volts without watts', { voltage: 1, power: 0 }, ['no-current']],
		['amps without volts', { voltage: 0, current: 1 }, ['no-volts']],
		['nothing at all', { voltage: 0, current: 0 }, ['dead']],
		['no voltage, the rest not read', { voltage: 0 }, ['dead']],
		['no power, the rest not read', { power: 0 }, ['dead']],
		['leads changed', { voltage: -1, current: 1 }, ['reversed']]
	] as const)('%s', (_, shares, expected) => {
		expect(codes(shares)).toEqual(expected);
	});

	it('counts sections by the module’s own number of them', () => {
		expect(codes({ voltage: 0.5, current: 1 }, 2)).toEqual(['section-gone']);
		expect(codes({ voltage: 0.5, current: 1 }, 3)).toEqual(['volts-low']);
	});

	it('is that its takes differ', () => {
		expect(codes({ voltage: 1, current: 1 }, 3, 0.08)).toEqual(['scatter']);
	});

	it.each(DANGEROUS_LOOKS)('is that one with %s is to be kept apart', (look) => {
		const found = anomalies({ voltage: 1, current: 1, power: null }, 3, 0, { looks: [look] });
		expect(found.map(({ code }) => code)).toEqual(['danger']);
		expect(found[0]!.words).toContain('still kill. Keep it apart');
	});

	it('is never two things of which one rules out the other', () => {
		const share = fc.option(fc.double({ min: -1.2, max: 1.3, noNaN: true }));
		fc.assert(
			fc.property(
				share,
				share,
				share,
				fc.integer({ min: 1, max: 6 }),
				(voltage, current, power, substrings) => {
					const found = codes({ voltage, current, power }, substrings);
					const dead = ['dead', 'no-current', 'no-volts'] as const;
					expect(
						found.filter((code) => (dead as readonly string[]).includes(code)).length
					).toBeLessThan(2);
					expect(found.includes('section-gone') && found.includes('volts-low')).toBe(false);
					expect(new Set(found).size).toBe(found.length);
				}
			)
		);
	});
});
