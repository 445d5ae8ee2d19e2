import { fallingRoot } from '../numerics';
import { type ModuleModel, openCircuitVoltage, translate } from '../module';
import { STC_IRRADIANCE } from '../units';

/*
 * Cell temperature by each route, degC. Irradiance in the plane in W/m2.
 */

/**
 * From a probe on the back: 3 K more in the cells at 1000 W/m2, on an open rack.
 * King, Boyson, Kratochvil, Photovoltaic Array Performance Model, SAND2004-3535 (2004), equation 12.
 */
export function fromBackProbe(back: number, irradiance: number): number {
	return back + (3 * irradiance) / STC_IRRADIANCE;
}

/** From the air, by the label's nominal operating cell temperature: 20 degC air, 800 W/m2 (IEC 61215). */
export function fromNominal(air: number, irradiance: number, nominal: number): number {
	return air + ((nominal - 20) * irradiance) / 800;
}

/** Heat losses of usual modules on open racks, W/m2/K and W s/m3/K (from memory of the same paper). */
const FAIMAN = { constant: 25, byWind: 6.84 };

/**
 * From air and wind.
 * Faiman, Assessing the outdoor operating temperature of photovoltaic modules, Progress in
 * Photovoltaics 16 (2008).
 *
 * @param wind at the modules, m/s
 */
export function fromAirAndWind(air: number, irradiance: number, wind: number): number {
	return air + irradiance / (FAIMAN.constant + FAIMAN.byWind * wind);
}

/** Temperatures between which a cell is looked for, degC. */
const COLDEST = -60;
const HOTTEST = 150;

/**
 * From the open-circuit volts of a module in known light: the temperature at which its model shows
 * them. The equivalent cell temperature of IEC 60904-5, with the single-diode model in the place of
 * its formula.
 *
 * @returns degC; null where no temperature between -60 and 150 degC gives these volts
 */
export function fromOpenCircuitVoltage(
	model: ModuleModel,
	voltage: number,
	irradiance: number
): number | null {
	const surplus = (celsius: number) =>
		openCircuitVoltage(translate(model, irradiance, celsius)) - voltage;
	if (!(irradiance > 0) || surplus(COLDEST) < 0 || surplus(HOTTEST) > 0) return null;
	return fallingRoot(surplus, COLDEST, HOTTEST, 1e-9);
}
