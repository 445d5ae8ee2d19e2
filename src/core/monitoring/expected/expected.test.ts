import { describe, expect, it } from 'vitest';
import { testRecord } from '../../../../tests/support/monitored-record';
import { lintwhite370 } from '../../../../demo/site';
import { agedModel, moduleAtConditions } from '../../expectation';
import { maximumPowerPoint } from '../../module';
import { expectedOfArray, measuredRatio } from './array';
import { generatorsOf } from './generators';
import { monthsOf } from './months';
import { powerTable } from './power-table';
import { clearHours, coolIrradiance, expectedFrom, performanceRatio } from './production';
import { looksLikeEpw, readEpw, readWeatherCsv } from './weather';

const TYPE = lintwhite370('019c0000-0001-7000-8000-000000000001');
const PLACE = { latitude: 55.5, longitude: 2 };

/** Lines of an EPW file of an invented place: a day of hours. */
function epw(change: (fields: string[], hour: number) => void = () => {}): string[][] {
	const heading = ['LOCATION', 'Gull Rock', '-', 'SEA', 'x', '0', '55.5', '2.0', '1.0', '4.0'];
	const rest = Array.from({ length: 7 }, () => ['HEADING']);
	const hours = Array.from({ length: 24 }, (_, hour) => {
		const fields = Array<string>(35).fill('0');
		Object.assign(fields, { 0: '2019', 1: '6', 2: '21', 3: String(hour + 1), 6: '14.5' });
		const irradiance = Math.max(0, 800 * Math.sin(((hour - 4) / 16) * Math.PI));
		Object.assign(fields, { 13: String(irradiance), 14: '9999', 15: '9999', 21: '3.5' });
		change(fields, hour);
		return fields;
	});
	return [heading, ...rest, ...hours];
}

describe('an EPW file', () => {
	it('is read: place, hours at their middle in UTC, what is missing', () => {
		expect(looksLikeEpw(epw())).toBe(true);
		const read = readEpw(epw());
		if (!read.ok) throw new Error(read.problem);
		const { observer, place, hours } = read.value;
		expect(observer).toEqual({ latitude: 55.5, longitude: 2 });
		expect(place).toBe('Gull Rock, SEA');
		expect(new Date(hours[0]!.at).toISOString()).toBe('2019-06-20T23:30:00.000Z');
		expect(hours[12]).toMatchObject({ air: 14.5, wind: 3.5, direct: null, diffuse: null });
	});
	it('with nonsense is refused by its line', () => {
		const bad = readEpw(epw((fields, hour) => hour === 3 && (fields[13] = 'x')));
		expect(!bad.ok && bad.problem).toContain('Line 12');
		const nowhere = readEpw([['LOCATION', 'x'], ...epw().slice(1)]);
		expect(!nowhere.ok && nowhere.problem).toContain('latitude');
		const short = readEpw(epw().slice(0, 20));
		expect(!short.ok && short.problem).toContain('fewer than 24');
	});
});

describe('weather as CSV', () => {
	const rows = [
		['time', 'ghi', 'temp_air', 'wind_speed'],
		...Array.from({ length: 24 }, (_, h) => [`2019-06-21 ${h}:00`, String(h * 10), '12,5', '2'])
	];
	const stamp = (text: string) => {
		const at = Date.parse(`${text.replace(' ', 'T').replace(/T(\d):/, 'T0$1:')}Z`);
		return Number.isNaN(at) ? null : at;
	};
	it('is read by its headings', () => {
		const read = readWeatherCsv(rows, stamp);
		if (!read.ok) throw new Error(read.problem);
		expect(read.value.hours[3]).toMatchObject({ global: 30, air: 12.5, wind: 2, direct: null });
	});
	it('without the columns, or with a bad line, is refused in words', () => {
		const lacking = readWeatherCsv(
			[
				['time', 'rain'],
				['x', '1']
			],
			stamp
		);
		expect(!lacking.ok && lacking.problem).toContain('ghi');
		const bad = readWeatherCsv([rows[0]!, ['2019-06-21 0:00', 'x', '1', '1']], stamp);
		expect(!bad.ok && bad.problem).toContain('Line 2');
	});
});

describe('expected production', () => {
	const generator = {
		type: TYPE,
		modules: 24,
		age: 4,
		plane: { tilt: 32, azimuth: 140 },
		ratedWatts: null
	};
	const day = (month: number) =>
		clearHours(Date.UTC(2026, month, 21), Date.UTC(2026, month, 22), PLACE, 12);
	const energy = (month: number, losses = 0) =>
		expectedFrom(day(month), PLACE, generator, losses).reduce((sum, { power }) => sum + power, 0);

	it('is more in June than in December, none at night, and less by the losses', () => {
		expect(energy(5)).toBeGreaterThan(3 * energy(11));
		expect(energy(5, 0.1)).toBeCloseTo(0.9 * energy(5), 3);
		expect(expectedFrom(day(11), PLACE, generator, 0)[0]!.power).toBe(0);
	});
	it('is cut at the rating', () => {
		const cut = expectedFrom(day(5), PLACE, { ...generator, ratedWatts: 4000 }, 0);
		expect(Math.max(...cut.map(({ power }) => power))).toBe(4000);
	});
	it('follows the model between the points of its table', () => {
		const table = powerTable(TYPE, 4);
		for (const [irradiance, cellTemperature] of [
			[125, 3],
			[433, 18],
			[777, 44],
			[1012, 61]
		] as const) {
			const { volts: voltage, amps: current } = maximumPowerPoint(
				moduleAtConditions(agedModel(TYPE, 4), irradiance, cellTemperature)
			);
			expect(table(irradiance, cellTemperature).watts / (voltage * current)).toBeCloseTo(1, 2);
			expect(table(irradiance, cellTemperature).volts / voltage).toBeCloseTo(1, 2);
		}
	});
	it('has generators by type and plane, cut at their share of the rating', () => {
		const { generators, unplaced } = generatorsOf(testRecord(), 2026);
		expect(unplaced).toBe(0);
		expect(generators).toEqual([
			expect.objectContaining({ modules: 12, age: 4, plane: { tilt: 32, azimuth: 140 } })
		]);
		const bare = { ...testRecord(), fields: [] };
		expect(generatorsOf(bare, 2026)).toMatchObject({ generators: [], unplaced: 12 });
	});
	it('is put beside what was made on the same days, month by month', () => {
		const hours = expectedFrom(day(5), PLACE, generator, 0);
		const months = monthsOf(
			hours,
			[
				{ date: '2026-06-21', made: 40 },
				{ date: '2026-06-22', made: Number.NaN }
			],
			0,
			-0.004
		);
		expect(months[5]!.made).toBe(40);
		expect(months[5]!.expected).toBeCloseTo(energy(5) / 1000, 6);
		expect(months[5]!.cool).toBeLessThan(months[5]!.irradiation);
		expect(months[4]!.made).toBeNull();
	});
	it('of two planes weighs their light by their labels, and expects what is watched alone', () => {
		const flat = { ...generator, modules: 8, plane: { tilt: 0, azimuth: 180 } };
		const [steep, level] = [generator, flat].map((one) => expectedFrom(day(5), PLACE, one, 0));
		const both = expectedOfArray(day(5), PLACE, [generator, flat], 0, 16 * TYPE.plate.pmax);
		expect(both[12]!.irradiance).toBeCloseTo(
			0.75 * steep![12]!.irradiance + 0.25 * level![12]!.irradiance,
			9
		);
		expect(both[12]!.power).toBeCloseTo(0.5 * (steep![12]!.power + level![12]!.power), 9);
		expect(expectedOfArray(day(5), PLACE, [], 0, 1000)).toEqual([]);
	});
	it('by the export’s own sensor counts the samples that both have', () => {
		const unit = (power: number[]) => ({
			key: 'a',
			label: 'a',
			labelWatts: 1000,
			ratedWatts: null,
			like: null,
			plane: null,
			power: Float64Array.from(power),
			volts: null,
			amps: null
		});
		const times = { start: 0, step: 900_000, count: 3 };
		const irradiance = Float64Array.of(1000, 500, Number.NaN);
		expect(measuredRatio({ times, irradiance, units: [unit([800, 400, 900])] })).toBeCloseTo(
			0.8,
			12
		);
		expect(measuredRatio({ times, irradiance: null, units: [unit([1, 1, 1])] })).toBeNull();
	});
	it('has a ratio that is 1 where a kW gives a kWh for each hour of full sun', () => {
		expect(performanceRatio(5000, 1000, 5000)).toBe(1);
		expect(performanceRatio(4000, 1000, 5000)).toBe(0.8);
		expect(coolIrradiance(1000, 25, -0.004)).toBe(1000);
		expect(coolIrradiance(1000, 50, -0.004)).toBe(900);
	});
});
