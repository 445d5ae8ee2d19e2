import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gradeOf, type Grade } from './grade';
import { USUAL_LIMITS, type GradeProfile } from './module-batch';

/** Of a module that was measured on a load. */
const loaded = (
	...[value, known, age, profile]: readonly [number | null, number, number | null, GradeProfile]
) => gradeOf(value, known, age, profile, true);
const LIMITS = { by: 'limits', limits: USUAL_LIMITS } as const;
const BAND = { by: 'band', limits: USUAL_LIMITS } as const;
const RANK: readonly Grade[] = ['out', 'weak', 'fair', 'good'];
const rankOf = (grade: Grade) => RANK.indexOf(grade);
const share = fc.double({ min: 0, max: 1.2, noNaN: true });
const uncertainty = fc.double({ min: 0.005, max: 0.1, noNaN: true });
const years = fc.option(fc.integer({ min: 0, max: 40 }));

describe('a grade by fixed limits', () => {
	it.each([
		[0.86, 'good'],
		[0.85, 'good'],
		[0.849, 'fair'],
		[0.7, 'fair'],
		[0.69, 'weak'],
		[0.5, 'weak'],
		[0.49, 'out'],
		[0, 'out']
	] as const)('of %d of the label is %s', (value, grade) => {
		expect(loaded(value, 0.001, null, LIMITS).grade).toBe(grade);
	});

	it('says where its band reaches over a limit, and names that limit', () => {
		const near = loaded(0.83, 0.02, null, LIMITS);
		expect(near).toMatchObject({ grade: 'fair', near: true });
		expect(near.words).toContain('reaches over 85 %');
		expect(loaded(0.78, 0.02, null, LIMITS)).toMatchObject({ grade: 'fair', near: false });
	});

	it('does not ask how old the module is', () => {
		fc.assert(
			fc.property(share, uncertainty, years, years, (value, known, one, other) => {
				expect(loaded(value, known, one, LIMITS)).toEqual(loaded(value, known, other, LIMITS));
			})
		);
	});
});

describe('a grade by the band of its age', () => {
	it('is good where an old module gives what its years leave', () => {
		expect(loaded(0.87, 0.02, 20, BAND).grade).toBe('good');
		expect(loaded(0.87, 0.02, 0, BAND).grade).not.toBe('good');
	});

	it('is out only where it surely gives less than half of that', () => {
		expect(loaded(0.4, 0.02, 10, BAND).grade).toBe('out');
		// Less than half, but not surely.
		expect(loaded(0.44, 0.05, 10, BAND).grade).toBe('weak');
	});

	it('of unknown age has the wider band', () => {
		const words = (age: number | null) => loaded(0.6, 0.02, age, BAND).words;
		const bandOf = (text: string) => Number(/± (\d+) %/.exec(text)![1]);
		expect(bandOf(words(null))).toBeGreaterThan(bandOf(words(4)));
		expect(words(null)).toContain('of unknown age');
		expect(words(10)).toContain('after 10 years');
	});
});

describe('a grade without a measurement on a load', () => {
	it('is the most that the module can be, and asks for a load', () => {
		const graded = gradeOf(0.9, 0.02, null, LIMITS, false);
		expect(graded).toMatchObject({ grade: 'good', atMost: true });
		expect(graded.words).toMatch(/^At most 90 %/);
		expect(loaded(0.9, 0.02, null, LIMITS).atMost).toBe(false);
	});

	it('is final where the module is out already', () => {
		expect(gradeOf(0.3, 0.02, null, LIMITS, false)).toMatchObject({ grade: 'out', atMost: false });
	});
});

describe('any grade', () => {
	it('never falls where the share rises', () => {
		fc.assert(
			fc.property(
				share,
				share,
				uncertainty,
				years,
				fc.constantFrom(LIMITS, BAND),
				(one, other, known, age, profile) => {
					// What is more than a module can produce is questioned, not graded.
					const [less, more] = [Math.min(one, other), Math.min(1, Math.max(one, other))];
					if (less > more) return;
					expect(rankOf(loaded(more, known, age, profile).grade)).toBeGreaterThanOrEqual(
						rankOf(loaded(less, known, age, profile).grade)
					);
				}
			)
		);
	});

	it('of more than a module can produce is none, but a question', () => {
		for (const profile of [LIMITS, BAND]) {
			expect(loaded(1.04, 0.01, 3, profile).grade).toBe('good');
			const above = loaded(1.16, 0.03, 3, profile);
			expect(above.grade).toBe('unknown');
			expect(above.words).toContain('116 %');
			// A reading as unsure as that may still be right.
			expect(loaded(1.16, 0.08, 3, profile).grade).toBe('good');
		}
	});

	it('of nothing measured is none', () => {
		for (const profile of [LIMITS, BAND]) {
			expect(loaded(null, 0.02, 3, profile)).toEqual({
				grade: 'unknown',
				words: 'Nothing to judge it by yet.',
				near: false,
				atMost: false
			});
		}
	});
});
