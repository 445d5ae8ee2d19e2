import { describe, expect, it } from 'vitest';
import { weatherColumns, type WeatherQuantity } from './weather-columns';

const columns = (...headings: string[]) => {
	const read = weatherColumns(['time', ...headings]);
	if (!read.ok) throw new Error(read.problem);
	return read.value;
};
const placeOf = (quantity: WeatherQuantity, ...headings: string[]) =>
	columns(...headings)[quantity]?.column ?? null;

describe('columns of a weather file', () => {
	it('are found by their whole meaning', () => {
		expect(
			placeOf('global', 'Direct normal irradiance', 'Diffuse horizontal irradiance', 'GHI')
		).toBe(3);
		expect(placeOf('direct', 'ghi', 'Direct normal irradiance')).toBe(2);
		expect(placeOf('direct', 'ghi', 'Direct horizontal irradiance')).toBeNull();
		expect(placeOf('air', 'air_pressure', 'dew point temperature', 'temp_air')).toBe(3);
		expect(placeOf('wind', 'wind_direction', 'Wind speed 10m (m/s)')).toBe(2);
		expect(placeOf('global', 'Irradiance in plane', 'poa_global')).toBeNull();
		expect(placeOf('global', 'G(h)')).toBe(1);
	});

	it.each([
		['global', 'GHI (kJ/m²)', 3600, 1000],
		['global', 'ghi_W/m2', 800, 800],
		['global', 'Global radiation [J/cm2]', 360, 1000],
		['air', 'Air temperature (°F)', 50, 10],
		['air', 'temp_air (K)', 293.15, 20],
		['wind', 'Wind speed (km/h)', 36, 10]
	] as const)('%s in the unit of “%s”', (quantity, heading, written, base) => {
		const { factor, offset } = columns(heading)[quantity]!;
		expect(written * factor + offset).toBeCloseTo(base, 6);
	});

	it('in a unit that is not read are refused, with those that are', () => {
		const read = weatherColumns(['time', 'ghi', 'Temperature (hPa)']);
		expect(!read.ok && read.problem).toContain('hpa');
		expect(!read.ok && read.problem).toContain('°c');
	});
});
