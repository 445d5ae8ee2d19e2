import { expect, it } from 'vitest';
import { readingFigure } from './reading-figure';

it.each([
	['open-circuit-voltage', 452.84, '452.8 V'],
	['open-circuit-voltage', -452.84, '\u2212452.8 V'],
	['operating-current', 8.257, '8.26 A'],
	['fuse-resistance', 0.1, '0.10 ohm'],
	['fuse-resistance', 1e8, 'over range'],
	['diode-reverse', 9.99, 'over range'],
	['diode-reverse', 0.02, '0.02 V'],
	['blocking-diode-forward', 0.55, '0.55 V'],
	['lamp', 1, 'on'],
	['lamp', 0, 'off'],
	['shade-seen', 1, 'a shadow'],
	['shade-seen', 0, 'no shadow'],
	['module-count', 11, '11']
] as const)('%s of %d is shown as %s', (quantity, value, words) => {
	expect(readingFigure({ value, quantity })).toBe(words);
});
