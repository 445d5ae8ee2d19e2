import { describe, expect, it } from 'vitest';
import { INK } from '../../../tests/support/ink';
import { corrected, degradationOf } from '$core/monitoring';
import { degradationOption } from './degradation-option';
import { courseOption } from './course-option';
import { heatmapOption } from './heatmap-option';
import { monthsOption } from './months-option';
import { shareOption } from './share-option';

const QUARTER = 900_000;
type Series = { name?: string; type: string; data: (readonly (number | null | string)[])[] };
const seriesOf = (option: unknown) => (option as { series: Series[] }).series;

describe('a course over time', () => {
	const at = [0, 1, 2, 6, 7].map((step) => step * QUARTER);
	const whole = { from: 0, to: 10 * QUARTER };
	const option = courseOption(
		[
			{ label: 'K1 1', at, mean: [1, 2, 3, 4, 5] },
			{ label: 'K1 2', at: [], mean: [] }
		],
		'W',
		whole,
		{ from: QUARTER, to: 3 * QUARTER },
		String,
		INK
	);
	it('breaks where samples are missing', () => {
		const [line] = seriesOf(option);
		expect(line!.data).toEqual([
			[0, 1],
			[QUARTER, 2],
			[2 * QUARTER, 3],
			[3 * QUARTER, null],
			[6 * QUARTER, 4],
			[7 * QUARTER, 5]
		]);
	});
	it('shows the stretch that is asked for, and lines that differ by dash', () => {
		expect(option['dataZoom']).toMatchObject([
			{ startValue: QUARTER, endValue: 3 * QUARTER },
			{ startValue: QUARTER }
		]);
		const dashes = (option as { series: { lineStyle: { type: unknown } }[] }).series.map(
			({ lineStyle }) => lineStyle.type
		);
		expect(new Set(dashes).size).toBe(2);
	});

	it('shows in its tooltip what somebody typed, and sets none of it as HTML', () => {
		const { formatter } = option['tooltip'] as { formatter: (points: unknown[]) => string };
		const said = formatter([{ seriesName: `<img src="x" onerror='y'> & z`, value: [QUARTER, 12] }]);
		expect(said).toContain('&#60;img src=&#34;x&#34; onerror=&#39;y&#39;&#62; &#38; z: 12.0');
	});
});

it('a field of days is darkest at half and says nothing where nothing was said', () => {
	const option = heatmapOption(
		{
			dates: ['2026-03-01', '2026-03-02'],
			labels: ['K1 1'],
			shares: [Float64Array.of(0.5, Number.NaN)]
		},
		INK
	);
	expect(seriesOf(option)[0]!.data).toEqual([
		[0, 0, 0.5],
		[1, 0, '-']
	]);
	expect(option['visualMap']).toMatchObject({
		min: 0.5,
		max: 1,
		inRange: { color: ['#900', '#fff'] }
	});
	const { formatter } = option['tooltip'] as { formatter: (of: { value: unknown[] }) => string };
	expect(formatter({ value: [0, 0, 0.5] })).toBe('K1 1, 2026-03-01: 50 % of its peers');
	expect(formatter({ value: [1, 0, '-'] })).toContain('says nothing');
});

it('shares by day carry what happened to the unit', () => {
	const option = shareOption(
		{
			dates: ['2026-03-01', '2026-03-02'],
			shares: Float64Array.of(1, 0.5),
			marks: [{ date: '2026-03-02', words: '2 March' }]
		},
		INK
	);
	const [points] = (option as { series: { markLine: { data: { xAxis?: string }[] } }[] }).series;
	expect(points!.markLine.data.map(({ xAxis }) => xAxis)).toEqual([undefined, '2026-03-02']);
});

it('months that were not watched are left out', () => {
	const month = (n: number, made: number | null) => ({
		month: n,
		made,
		expected: 10,
		irradiation: 1,
		cool: 1
	});
	const option = monthsOption([month(0, null), month(1, 8)], INK);
	expect((option as { xAxis: { data: string[] } }).xAxis.data).toEqual(['Feb']);
	expect(seriesOf(option)[0]!.data).toEqual([8]);
});

describe('degradation', () => {
	const readings = [0, 1, 2, 3].map((year) =>
		corrected(
			{
				date: `${2020 + year}-07-01`,
				watts: 9500 - 60 * year,
				irradiance: 1000,
				cellTemperature: 25
			},
			10_000
		)
	);
	it('is drawn with its band and the limit', () => {
		const series = seriesOf(degradationOption(readings, degradationOf(readings, 0.8), 0.8, INK));
		expect(series).toHaveLength(4);
		const [points, line] = series;
		expect(points!.data).toHaveLength(4);
		expect(line!.data[1]![1]).toBeLessThan(line!.data[0]![1] as number);
	});
	it('of two readings is points alone', () => {
		expect(seriesOf(degradationOption(readings.slice(0, 2), null, 0.8, INK))).toHaveLength(1);
	});
});
