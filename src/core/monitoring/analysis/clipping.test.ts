import { describe, expect, it } from 'vitest';
import { cutBeside, cutBetweenClouds } from './clipping';

/** Mean of what a straight course has beyond a level, and of what is left below it, over a step from 0 to 1. */
function ofRamp(from: number, to: number, level: number) {
	const points = Array.from(
		{ length: 10_000 },
		(_, i) => from + ((to - from) * (i + 0.5)) / 10_000
	);
	const mean = (of: (power: number) => number) =>
		points.reduce((sum, power) => sum + of(power), 0) / points.length;
	return {
		cut: mean((power) => Math.max(power - level, 0)),
		left: mean((w) => Math.min(w, level))
	};
}

describe('what was cut in a step that was at the level for a part of its time', () => {
	it.each([
		[220, 320],
		[250, 310],
		[290, 330]
	])('is found by the course beside it: from %i W to %i W', (from, to) => {
		const rise = to - from;
		const { cut, left } = ofRamp(from, to, 300);
		// The steps before and after it, whose middles lie one rise apart.
		expect(cutBeside(from - rise / 2, left, to + rise / 2, 300)).toBeCloseTo(cut, 1);
	});

	it('is nothing where the step lies below the level, or the course does not rise to it', () => {
		expect(cutBeside(100, 200, 310, 300)).toBe(0);
		expect(cutBeside(320, 300, 310, 300)).toBe(0);
		expect(cutBeside(100, Number.NaN, 310, 300)).toBe(0);
	});

	it('is what sun between clouds would have given, for as long as the mean asks for', () => {
		// Half of the time 400 W cut to 300 W, half of it 120 W in the shade of clouds.
		expect(cutBetweenClouds((300 + 120) / 2, 400, 300)).toBeCloseTo((400 - 300) / 2, 6);
		expect(cutBetweenClouds(300, 400, 300)).toBeCloseTo(100, 6);
		expect(cutBetweenClouds(100, 400, 300)).toBe(0);
		expect(cutBetweenClouds(200, 290, 300)).toBe(0);
		expect(cutBetweenClouds(200, Number.NaN, 300)).toBe(0);
	});
});
