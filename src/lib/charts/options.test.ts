import { effectiveVisit } from '$core/visit';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INK } from '../../../tests/support/ink';
import { arrayRecord, testId, visitOf } from '../../../tests/support/scenario';
import { compareCurve } from '$core/expectation';
import { above, roundStep, voltAmpAxes } from './axes';
import { curveOption } from './curve-option';

describe('the steps of an axis', () => {
	it('are round, and four to seven of them make a span', () => {
		fc.assert(
			fc.property(fc.double({ min: 0.01, max: 5000, noNaN: true }), (span) => {
				const step = roundStep(span);
				const leading = step / 10 ** Math.floor(Math.log10(step) + 1e-9);
				expect([1, 2, 5].some((digit) => Math.abs(leading - digit) < 1e-6)).toBe(true);
				expect(span / step).toBeGreaterThan(2.3);
				expect(span / step).toBeLessThanOrEqual(6.000001);
			})
		);
	});

	it('go on to the next multiple', () => {
		expect(above(461, 100)).toBe(500);
		expect(above(500, 100)).toBe(500);
	});

	it('are drawn in the colours of the look', () => {
		expect(voltAmpAxes(INK, 600, 12).xAxis).toMatchObject({
			axisLine: { lineStyle: { color: '#111', width: 1.4 } }
		});
	});
});

describe('a measured curve over the expected one', () => {
	const record = arrayRecord();
	const visit = visitOf({ record });
	const comparison = compareCurve(record, effectiveVisit(record, visit), {
		id: testId(1),
		stringId: record.strings[0]!.id,
		points: [
			[0, 8.6],
			[150, 8.55],
			[300, 8.5],
			[340, 8.3],
			[352, 5.2],
			[375, 5.1],
			[420, 3.9],
			[452, 0]
		],
		at: null,
		origin: 'typed',
		takenAt: visit.startedAt,
		by: 'x',
		supersedes: null
	})!;
	const option = curveOption(comparison, INK) as {
		xAxis: { max: number; interval: number };
		yAxis: { max: number };
		series: {
			data: [number, number][];
			markLine?: { data: { xAxis: number; label: { formatter: string } }[] };
		}[];
	};

	it('holds every point of both inside its axes', () => {
		for (const { data } of option.series)
			for (const [voltage, current] of data) {
				expect(voltage).toBeLessThanOrEqual(option.xAxis.max);
				expect(current).toBeLessThanOrEqual(option.yAxis.max);
			}
		expect(option.series[1]!.data).toHaveLength(8);
		expect(option.xAxis.max % option.xAxis.interval).toBeCloseTo(0, 6);
	});

	it('marks each step with its sections, in words that fit one or many', () => {
		const marks = option.series[1]!.markLine!.data;
		expect(marks).toHaveLength(comparison.steps.length);
		expect(marks.length).toBeGreaterThan(0);
		for (const { label } of marks) expect(label.formatter).toMatch(/^(1 section|\d+ sections)$/);
	});
});
