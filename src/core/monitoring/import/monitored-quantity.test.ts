import { describe, expect, it } from 'vitest';
import { readHeading } from './monitored-quantity';

describe('a heading', () => {
	it.each([
		['Power (kW)', 'power', 1000, ''],
		['MI-07 P (W)', 'power', 1, 'MI-07'],
		['INV 1 Pac [kW]', 'power', 1000, 'INV 1'],
		['Inverter 2 energy_kWh', 'energy', 1000, 'Inverter 2'],
		['Total energy [MWh]', 'energy-total', 1e6, ''],
		['A1 DC voltage (V)', 'dc-voltage', 1, 'A1'],
		['A1 I (mA)', 'dc-current', 1e-3, 'A1'],
		['Grid voltage V', 'ac-voltage', 1, ''],
		['AC current [A]', 'ac-current', 1, ''],
		['Irradiance (W/m²)', 'irradiance', 1, ''],
		['Module temperature °C', 'cell-temperature', 1, ''],
		['Ambient temp (°C)', 'air-temperature', 1, ''],
		['String 4 (W)', 'power', 1, 'String 4'],
		['Wh', 'energy', 1, '']
	])('%s is %s', (heading, watched, factor, rest) => {
		expect(readHeading(heading)).toMatchObject({ watched, factor, rest });
	});
	it.each(['Roof 3', 'K1-08', ''])('“%s” names no quantity', (heading) => {
		expect(readHeading(heading)).toBeNull();
	});
});
