import { describe, expect, it } from 'vitest';
import { cellsInSeries, isHalfCut, readModelCode } from './model-code';

describe('a model code', () => {
	it('is explained part by part, in general words', () => {
		const parts = readModelCode('SKM-335-M60H BF', 335);
		expect(parts.map(({ part }) => part)).toEqual(['SKM', '335', 'M', '60', 'H', 'BF']);
		expect(parts[1]!.words).toContain('as on the label');
		expect(parts[3]!.words).toBe('60 cells in series');
		expect(parts[5]!.words).toContain('bifacial');
	});

	it('that does not agree with the label’s power says so', () => {
		expect(readModelCode('X-400', 335)[1]!.words).toContain('would not agree');
		expect(readModelCode('X-400')[1]!.words).toBe('probably 400 W');
	});

	it('of half-cut cells gives those in series', () => {
		expect(readModelCode('A-144')[1]!.words).toContain('72 in series');
		expect([cellsInSeries(120), cellsInSeries(60), cellsInSeries(108)]).toEqual([60, 60, 54]);
		expect(isHalfCut(60)).toBe(false);
	});

	it('of nothing says nothing', () => {
		expect(readModelCode('')).toEqual([]);
	});
});
