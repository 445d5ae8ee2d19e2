import { effectiveVisit } from '$core/visit';
import { describe, expect, it } from 'vitest';
import { usedModules } from '../../../tests/support/used-modules';
import { INK } from '../../../tests/support/ink';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import { inputAtConditions } from '$core/expectation';
import { study as studyOf, type WhatIf } from '$core/faults';
import { answerConfiguration, WARM_SUN } from '$core/bench';
import { configurationOption } from './configuration-option';
import { stringOption } from './string-option';

const record = arrayRecord();
const here = inputAtConditions(
	record,
	effectiveVisit(record, visitOf({ record })),
	record.strings[0]!.id
)!;
const study = (more: Partial<WhatIf> = {}) => {
	const asked: WhatIf = {
		lights: [],
		faults: [],
		alone: true,
		load: {
			kind: 'tracker',
			window: { least: 0, most: null },
			ampsAtMost: null,
			wattsAtMost: null
		},
		...more
	};
	const answer = studyOf(here.bus, here.subject, asked);
	if (!answer.ok) throw new Error(answer.problem);
	return answer.value;
};

interface Drawn {
	readonly xAxis: { readonly max: number };
	readonly yAxis: { readonly min: number; readonly max: number };
	readonly series: readonly {
		readonly data: readonly unknown[];
		readonly lineStyle?: { readonly type?: unknown; readonly color?: string };
	}[];
}
const drawn = (option: unknown) => option as Drawn;

describe('the chart of a string', () => {
	const whole = study();
	const option = drawn(stringOption(whole, [], INK));
	const [expected, now, maxima, , stands] = option.series;

	it('has what is recorded dashed and what is now solid', () => {
		expect(expected!.lineStyle!.type).toBeDefined();
		expect(now!.lineStyle!.type).toBeUndefined();
		expect(now!.data).toEqual(expected!.data);
	});

	it('holds every point within its axes, and the ring where the string runs', () => {
		for (const [voltage, current] of expected!.data as [number, number][]) {
			expect(voltage).toBeLessThanOrEqual(option.xAxis.max);
			expect(current).toBeLessThanOrEqual(option.yAxis.max);
			expect(current).toBeGreaterThanOrEqual(option.yAxis.min);
		}
		expect(stands!.data).toEqual([[whole.shown.voltage, whole.shown.current]]);
		expect(maxima!.data).toHaveLength(1);
	});

	it('stays where it is when a module is shaded', () => {
		const shaded = drawn(
			stringOption(study({ lights: [{ module: 3, section: null, light: 0.4 }] }), [], INK)
		);
		expect(shaded.xAxis.max).toBe(option.xAxis.max);
		expect(shaded.yAxis.max).toBe(option.yAxis.max);
		expect(shaded.series[0]!.data).toEqual(expected!.data);
		expect(shaded.series[1]!.data).not.toEqual(expected!.data);
		expect(shaded.series[2]!.data.length).toBeGreaterThan(1);
	});

	it('has room for a reading beyond the curve, with its words', () => {
		const readings = [
			{ words: 'Voc', voltage: 620, current: 0 },
			{ words: 'I', voltage: 366, current: 14 }
		];
		const wide = drawn(stringOption(whole, readings, INK));
		expect(wide.xAxis.max).toBeGreaterThanOrEqual(620);
		expect(wide.yAxis.max).toBeGreaterThanOrEqual(14);
		expect(wide.series[3]!.data).toMatchObject([
			{ value: [620, 0], label: { formatter: 'Voc', position: 'left' } },
			{ value: [366, 14], label: { formatter: 'I', position: 'right' } }
		]);
	});

	it('shows current below nought where others feed the string', () => {
		const fed = study({
			faults: [{ code: 'module-missing', place: { string: 'A1', module: 0 }, size: 6 }],
			alone: false,
			load: { kind: 'open' }
		});
		expect(fed.shown.current).toBeLessThan(0);
		expect(drawn(stringOption(fed, [], INK)).yAxis.min).toBeLessThanOrEqual(fed.shown.current);
	});
});

describe('the chart of a mix', () => {
	const pool = usedModules(3, 2);
	const answer = answerConfiguration(
		{
			kind: 'series',
			id: 's',
			parts: pool.map(({ id }, i) => ({ kind: 'module', id: String(i), of: id, irradiance: 1 }))
		},
		{
			moduleOf: (id) => pool.find((module) => module.id === id)!,
			sky: WARM_SUN,
			blocking: false
		}
	);
	const option = drawn(configurationOption(answer, INK));

	it('has its curve, where the quick rule would have it, and where it stands', () => {
		const [curve, quick, stands] = option.series;
		expect(curve!.data).toHaveLength(answer.curve.voltage.length);
		expect(quick!.data).toEqual([[answer.quick.volts, answer.quick.amps]]);
		expect(stands!.data).toEqual([[answer.voltage, answer.current]]);
	});

	it('has them all within its axes', () => {
		expect(option.xAxis.max).toBeGreaterThanOrEqual(
			Math.max(answer.openVoltage, answer.quick.volts)
		);
		expect(option.yAxis.max).toBeGreaterThanOrEqual(
			Math.max(answer.shortCurrent, answer.quick.amps)
		);
	});
});
