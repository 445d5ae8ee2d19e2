import { describe, expect, it } from 'vitest';
import { answerTo } from '../../benchmarks/monitoring/answer';
import { generateYear } from '../../benchmarks/monitoring/generated';
import { holds } from '../../benchmarks/monitoring/tally';

/*
 * Years of a generator with another physics than the analysis (benchmarks/monitoring); all of its kinds are scored by
 * npm run bench -- watch-field. No source: simulated.
 */
describe('a year of another physics', () => {
	it.each([
		['intermittent', 6001],
		['shade', 7000]
	] as const)('names %s once, with its energy', (kind, seed) => {
		const year = generateYear({ kind, seed });
		const { events } = answerTo(year, year.csv, false, true);
		expect(events).toMatchObject([{ unit: `U ${year.hidden.unit}`, kind }]);
		expect(holds(events[0]!.lostBand, year.hidden.lost)).toBe(true);
	});

	it('clipped in means of an hour has lost what clouds and hours hide as well', () => {
		const year = generateYear({ kind: 'healthy', seed: 9001, minutes: 60, rated: 0.6 });
		const { clipping } = answerTo(year, year.csv, true, true);
		expect(clipping).toHaveLength(12);
		for (const { unit, lost } of clipping) {
			const truth = year.clipped[Number(unit.split(' ')[1]) - 1]!;
			expect(holds(lost!, truth)).toBe(true);
			expect(lost!.value / truth).toBeGreaterThan(0.8);
			expect(lost!.value / truth).toBeLessThan(1.3);
		}
	});
});
