import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { risingRoot, SMOOTH, type Slope } from './rising-root';

/** Counts its evaluations. */
function counted(f: (x: number) => readonly [value: number, slope: number]) {
	let calls = 0;
	return {
		f: (x: number, out: Slope) => {
			calls += 1;
			[out.value, out.slope] = f(x);
		},
		get calls() {
			return calls;
		}
	};
}
const cubic = (root: number) => (x: number) =>
	[(x - root) ** 3 + (x - root), 3 * (x - root) ** 2 + 1] as const;

describe('the root of a rising function', () => {
	it('is found wherever it lies and from whatever guess', () => {
		const far = fc.double({ min: -1e4, max: 1e4, noNaN: true });
		fc.assert(
			fc.property(
				far,
				far,
				fc.double({ min: 1e-3, max: 1e3, noNaN: true }),
				(root, start, reach) => {
					const { f } = counted(cubic(root));
					expect(Math.abs(risingRoot(f, start, reach) - root)).toBeLessThan(
						1e-9 * (Math.abs(root) + 1)
					);
				}
			)
		);
	});

	it('of a diode’s law is found where Newton alone runs away', () => {
		// 8 A of light, 1 nA of saturation, 26 mV: flat to the left, next to a wall on the right.
		const law = (x: number) =>
			[1e-9 * Math.expm1(x / 0.026) - 8, (1e-9 / 0.026) * Math.exp(x / 0.026)] as const;
		const found = counted(law);
		const voltage = risingRoot(found.f, -40, 1);
		expect(voltage).toBeCloseTo(0.026 * Math.log1p(8e9), 12);
		expect(found.calls).toBeLessThan(80);
	});

	it('takes fewer steps where a smooth function needs no last one', () => {
		const [fine, smooth] = [counted(cubic(2.5)), counted(cubic(2.5))];
		risingRoot(fine.f, 3, 1);
		expect(risingRoot(smooth.f, 3, 1, Number.NEGATIVE_INFINITY, SMOOTH)).toBeCloseTo(2.5, 9);
		expect(smooth.calls).toBeLessThanOrEqual(fine.calls);
	});

	it('that lies below the domain is the end of it', () => {
		const { f } = counted((x) => [x + 5, 1]);
		expect(risingRoot(f, 3, 1, 0)).toBe(0);
		expect(risingRoot(f, -7, 1, 0)).toBe(0);
	});

	it('of a function with steps in it is where it changes its sign', () => {
		const { f } = counted((x) => [x < 1.25 ? -1 : 1, 0]);
		expect(risingRoot(f, 0, 1)).toBeCloseTo(1.25, 9);
	});

	it('stands where the value is none at once', () => {
		const exact = counted((x) => [x - 4, 1]);
		expect(risingRoot(exact.f, 4, 1)).toBe(4);
		expect(exact.calls).toBe(1);
	});

	it('is found where values are infinite beyond it', () => {
		const { f } = counted((x) => (x > 2 ? [Infinity, Infinity] : [x - 1, 1]));
		expect(risingRoot(f, 50, 3)).toBeCloseTo(1, 9);
	});
});
