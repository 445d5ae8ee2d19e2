import { describe, expect, it } from 'vitest';
import type { CableSpec } from '../design-checks';
import { answerRun, type RunAsk } from './run';

const cable = (change: Partial<CableSpec> = {}): CableSpec => ({
	profile: 'IEC',
	material: 'copper',
	area: 2.5,
	insulation: 120,
	ambient: 40,
	installation: 'free-air',
	...change
});
const ask = (change: Partial<RunAsk> = {}): RunAsk => ({
	cable: cable(),
	current: 43.5,
	isc: 11.3,
	strings: 4,
	onRun: 4,
	factor: 1.25,
	fuse: null,
	...change
});

describe('a run of cable', () => {
	it('carries all its strings, not one', () => {
		const answer = answerRun(ask());
		expect(answer.required).toBeCloseTo(1.25 * 4 * 11.3, 9);
		expect(answer).toMatchObject({ verdict: 'fail', fails: ['corrected'] });
		expect(answerRun(ask({ cable: cable({ area: 6 }) })).verdict).toBe('pass');
	});

	it('carries at least the current that was typed', () => {
		expect(answerRun(ask({ onRun: 1 })).required).toBeCloseTo(1.25 * 43.5, 9);
	});

	it('uses the factor, the ambient and the grouping', () => {
		expect(answerRun(ask({ factor: 1.4 })).required).toBeCloseTo(1.4 * 4 * 11.3, 9);
		const six = cable({ area: 6 });
		expect(answerRun(ask({ cable: { ...six, ambient: 85 } })).verdict).toBe('fail');
		expect(answerRun(ask({ cable: { ...six, conductors: 6 } })).verdict).toBe('fail');
	});

	it('without a fuse carries what the other strings feed back', () => {
		const one = ask({ current: 10.5, onRun: 1, strings: 6 });
		expect(answerRun(one).reverse).toBeCloseTo(1.25 * 5 * 11.3, 9);
		expect(answerRun(one).fails).toEqual(['reverse']);
		expect(answerRun({ ...one, fuse: 20 })).toMatchObject({ reverse: 0, verdict: 'pass' });
		expect(answerRun({ ...one, fuse: 50 }).fails).toEqual(['fuse']);
	});

	it('by the NEC is sized before corrections too', () => {
		const nec = cable({
			profile: 'NEC',
			area: 5.261,
			insulation: 90,
			ambient: 30,
			installation: 'raceway',
			terminals: 60
		});
		// 1.5625 x 20 A = 31.3 A is above the 30 A of its terminals.
		expect(
			answerRun(ask({ cable: nec, current: 19, isc: 20, onRun: 1, strings: 1 })).fails
		).toEqual(['uncorrected']);
	});

	it('that no table covers is not judged', () => {
		expect(answerRun(ask({ cable: cable({ area: 1 }) }))).toMatchObject({ verdict: null });
	});
});
