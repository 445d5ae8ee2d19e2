import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomFrom } from '../../numerics';
import type { Layout, SearchBasis } from './layout';
import { starts } from './starts';

const basis = (imp: readonly number[], power: readonly number[]) =>
	({ imp, power }) as unknown as SearchBasis;
const random = (seed: number) => {
	const { between } = randomFrom(seed);
	return () => between(0, 1);
};
const all = (layout: Layout) => [...layout.strings.flat(), ...layout.out].sort((a, b) => a - b);
const IMP = [8, 5, 7, 6, 9, 4, 3];
const POWER = [240, 150, 210, 180, 270, 120, 90];

describe('where a search begins', () => {
	it('places every module once, or leaves it out, in every layout', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 1, max: 10, noNaN: true }), { minLength: 4, maxLength: 30 }),
				fc.integer({ min: 1, max: 3 }),
				fc.integer(),
				(current, count, seed) => {
					const length = Math.floor(current.length / count);
					const power = current.map((imp) => 30 * imp);
					for (const layout of starts(basis(current, power), { count, length }, 5, random(seed))) {
						expect(layout.strings).toHaveLength(count);
						for (const string of layout.strings) expect(string).toHaveLength(length);
						expect(all(layout)).toEqual(current.map((_, m) => m));
					}
				}
			)
		);
	});

	it('puts like currents together first, the weakest left out', () => {
		const [first] = starts(basis(IMP, POWER), { count: 2, length: 3 }, 0, random(1));
		expect(first).toEqual({
			strings: [
				[4, 0, 2],
				[3, 1, 5]
			],
			out: [6]
		});
	});

	it('deals them out like cards, so that strings are alike', () => {
		const dealt = [...starts(basis(IMP, POWER), { count: 2, length: 3 }, 0, random(1))].at(-1)!;
		const sums = dealt.strings.map((string) => string.reduce((sum, m) => sum + IMP[m]!, 0));
		expect(Math.abs(sums[0]! - sums[1]!)).toBeLessThanOrEqual(3);
		expect(dealt.out).toEqual([6]);
	});

	it('goes on by chance as often as it is told, the same for the same seed', () => {
		const some = (seed: number) => [
			...starts(basis(IMP, POWER), { count: 2, length: 3 }, 6, random(seed))
		];
		expect(some(3)).toHaveLength(9);
		expect(some(3)).toEqual(some(3));
		expect(some(3).slice(3)).not.toEqual(some(4).slice(3));
	});
});
