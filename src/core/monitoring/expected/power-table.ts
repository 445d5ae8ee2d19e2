import { agedModel, moduleAtConditions } from '../../expectation';
import { maximumPowerPoint } from '../../module';
import type { ModuleType } from '../../record';

/** Watts and volts of one module at its maximum power point, over light (W/m2) and cell temperature (degC). */
export type PowerTable = (
	light: number,
	heat: number
) => { readonly watts: number; readonly volts: number };

const LIGHT = { step: 50, count: 34 };
const HEAT = { step: 10, first: -40, count: 16 };

/**
 * The single-diode model of an aged module on a grid, drawn straight in between: within 0.2 % of the
 * model itself above 50 W/m2, at a thousandth of its price.
 *
 * @param age in years
 */
export function powerTable(type: ModuleType, age: number): PowerTable {
	const model = agedModel(type, age);
	const watts: Float64Array[] = [];
	const volts: Float64Array[] = [];
	for (let g = 0; g < LIGHT.count; g++) {
		const points = Array.from({ length: HEAT.count }, (_, h) =>
			g === 0
				? { volts: 0, amps: 0 }
				: maximumPowerPoint(moduleAtConditions(model, g * LIGHT.step, HEAT.first + h * HEAT.step))
		);
		watts.push(Float64Array.from(points, (point) => point.volts * point.amps));
		volts.push(Float64Array.from(points, (point) => point.volts));
	}
	return (light, heat) => {
		const g = Math.min(Math.max(light, 0) / LIGHT.step, LIGHT.count - 1.001);
		const h = Math.min(Math.max((heat - HEAT.first) / HEAT.step, 0), HEAT.count - 1.001);
		const [i, j] = [Math.floor(g), Math.floor(h)];
		const between = (rows: readonly Float64Array[]) => {
			const across = (row: Float64Array) => row[j]! + (row[j + 1]! - row[j]!) * (h - j);
			return across(rows[i]!) + (across(rows[i + 1]!) - across(rows[i]!)) * (g - i);
		};
		return { watts: between(watts), volts: between(volts) };
	};
}
