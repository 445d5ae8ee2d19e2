import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { countDifference } from './difference';
import { questionBeforeStoring } from '../expectation';
import { normalQuantile } from '../numerics';

const MODULE = 38;
const words = (short: number, sigma = 1) =>
	countDifference(12 * MODULE - short * MODULE, 12 * MODULE, sigma, MODULE, 3).words;

describe('a difference in modules and sections', () => {
	it.each([
		[0, 'no module or substring missing'],
		[1 / 3, 'about one substring short'],
		[2 / 3, 'about two substrings short'],
		[1, 'about one module short'],
		[4 / 3, 'about one module and one substring short'],
		[2, 'about two modules short'],
		[-1, 'about one module too many'],
		[0.18, '0.18 of a module short, not a whole substring']
	])('%f modules short: %s', (short, said) => {
		expect(words(short)).toBe(said);
	});

	it('does not count sections it cannot tell', () => {
		expect(words(1, 20)).toBe('no module or substring missing');
		expect(words(2.1, 12)).toBe('2.1 modules short, too uncertain to count substrings');
	});
});

describe('the question before storing', () => {
	it('asks about a tenfold and a tenth, never about what is near or nothing', () => {
		expect(questionBeforeStoring(4528, 452.8, 'V')).toContain('about ten times as much');
		expect(questionBeforeStoring(45.3, 452.8, 'V')).toContain('about a tenth');
		expect(questionBeforeStoring(81.2, 8.12, 'A')).toContain('ten times');
		expect(questionBeforeStoring(999999, 452.8, 'V')).toContain('more than twenty times');
		expect(questionBeforeStoring(-4528, 452.8, 'V')).not.toBeNull();
		expect(questionBeforeStoring(415, 452.8, 'V')).toBeNull();
		expect(questionBeforeStoring(-452, 452.8, 'V')).toBeNull();
		expect(questionBeforeStoring(0, 452.8, 'V')).toBeNull();
		expect(questionBeforeStoring(5, null, 'V')).toBeNull();
	});
});

describe('the normal quantile', () => {
	it('has the tabulated values', () => {
		// Abramowitz and Stegun, Handbook of Mathematical Functions (1964), table 26.5 (from memory).
		expect(normalQuantile(0.975)).toBeCloseTo(1.959964, 6);
		expect(normalQuantile(0.5)).toBeCloseTo(0, 9);
		expect(normalQuantile(0.001)).toBeCloseTo(-3.090232, 6);
	});

	it('is odd about one half', () => {
		fc.assert(
			fc.property(fc.double({ min: 1e-9, max: 0.5, noNaN: true }), (p) => {
				expect(normalQuantile(1 - p)).toBeCloseTo(-normalQuantile(p), 5);
			})
		);
	});
});
