import { describe, expect, it } from 'vitest';
import { tallyJudgement } from '../../benchmarks/field/judgement';
import { casesOf, type FieldCase } from '../../benchmarks/field/sets';

/*
 * Visits of a generator with a module physics of its own: ideality above 1, a shunt that falls with irradiance,
 * cells that are not equally warm, clouds. Source: simulated outside the project, a fixed part of each set. The
 * limits leave room for the small number of visits; `npm run bench -- field` prints rates with intervals.
 */
describe('visits under another physics', () => {
	it('leave healthy arrays alone, in one plane and in two', () => {
		const tally = tallyJudgement(casesOf<FieldCase>('field-healthy', null));
		const healthy = tally.get('healthy')!;
		expect(healthy.visits).toBe(50);
		// 2 % of 50 is 1; more than 4 come up less than once in 250.
		expect(healthy.fail).toBeLessThanOrEqual(4);
		expect(healthy.accused).toBeLessThanOrEqual(4);
		expect(healthy.marginal).toBeLessThanOrEqual(15);
		expect(tally.get('healthy, two planes')!.fail).toBeLessThanOrEqual(1);
	}, 60_000);

	it('show faults where they are', () => {
		const tally = tallyJudgement(casesOf<FieldCase>('field-faulty', null));
		const share = (kind: string, what: 'fail' | 'right') =>
			tally.get(kind)![what] / tally.get(kind)!.visits;
		expect(share('module', 'fail')).toBe(1);
		expect(share('fuse', 'right')).toBe(1);
		expect(share('cur20', 'fail')).toBeGreaterThan(0.6);
		expect(share('section', 'fail')).toBeGreaterThan(0.5);
		const others = [...tally.values()].reduce((sum, { other }) => sum + other, 0);
		expect(others).toBeLessThanOrEqual(5);
	}, 60_000);
});
