import { agedModel, moduleAtConditions } from '../../expectation';
import { maximumPowerPoint } from '../../module';
import type { ModuleType } from '../../record';

/** Watts and volts of one module at its maximum power point, over light (W/m2) and cell temperature (degC). */
export type PowerTable = (
	irradiance: number,
	cellTemperature: number
) => { readonly watts: number; readonly volts: number };

const IRRADIANCE = { step: 50, count: 34 };
const TEMPERATURE = { step: 10, first: -40, count: 16 };

/**
 * The single-diode model of an aged module on a grid, drawn straight in between: within 0.2 % of the
 * model itself above 50 W/m2, at a thousandth of its price.
 *
 * @param age in years
 */
export function powerTable(type: ModuleType, age: number): PowerTable {
	const model = agedModel(type, age);
	const power: Float64Array[] = [];
	const voltage: Float64Array[] = [];
	for (let g = 0; g < IRRADIANCE.count; g++) {
		const points = Array.from({ length: TEMPERATURE.count }, (_, h) =>
			g === 0
				? { volts: 0, amps: 0 }
				: maximumPowerPoint(
						moduleAtConditions(model, g * IRRADIANCE.step, TEMPERATURE.first + h * TEMPERATURE.step)
					)
		);
		power.push(Float64Array.from(points, (point) => point.volts * point.amps));
		voltage.push(Float64Array.from(points, (point) => point.volts));
	}
	return (irradiance, cellTemperature) => {
		const g = Math.min(Math.max(irradiance, 0) / IRRADIANCE.step, IRRADIANCE.count - 1.001);
		const h = Math.min(
			Math.max((cellTemperature - TEMPERATURE.first) / TEMPERATURE.step, 0),
			TEMPERATURE.count - 1.001
		);
		const [i, j] = [Math.floor(g), Math.floor(h)];
		const between = (rows: readonly Float64Array[]) => {
			const across = (row: Float64Array) => row[j]! + (row[j + 1]! - row[j]!) * (h - j);
			return across(rows[i]!) + (across(rows[i + 1]!) - across(rows[i]!)) * (g - i);
		};
		return { watts: between(power), volts: between(voltage) };
	};
}
