import { type ModuleModel, shortCircuitCurrent, translate } from '../module';
import { refuse, type Result, STC_IRRADIANCE, succeed } from '../units';
import { fromOpenCircuitVoltage } from './cell-temperature';

/** Light and heat as a known good module beside the array feels them. */
export interface ReferenceModuleReading {
	/** W/m2 */
	readonly irradiance: number;
	/** degC */
	readonly cellTemperature: number;
}

const ROUNDS_AT_MOST = 50;

/**
 * Irradiance from the short-circuit current of a control module whose temperature is known:
 * G = 1000 Isc/(Isc,ref (1 + alpha (T - 25))), alpha in 1/K (IEC 60904-10 asks for this proportion).
 *
 * @param isc measured, A
 * @returns W/m2
 */
export function irradianceFromIsc(
	model: ModuleModel,
	isc: number,
	cellTemperature: number
): number {
	const reference = shortCircuitCurrent(translate(model, STC_IRRADIANCE, 25));
	return (STC_IRRADIANCE * isc) / (reference + model.alphaIsc * (cellTemperature - 25));
}

/**
 * Irradiance and cell temperature together from both readings of a control module: current says
 * mostly light and volts mostly heat, so a few turns between the two settle them.
 *
 * @param isc A
 * @param voc V
 */
export function fromReferenceModule(
	model: ModuleModel,
	isc: number,
	voc: number
): Result<ReferenceModuleReading, string> {
	if (!(isc > 0 && voc > 0)) {
		return refuse(
			'The reference module needs a short-circuit current and an open-circuit voltage above 0.'
		);
	}
	let cellTemperature = 25;
	let irradiance = irradianceFromIsc(model, isc, cellTemperature);
	for (let round = 0; round < ROUNDS_AT_MOST; round++) {
		const next = fromOpenCircuitVoltage(model, voc, irradiance);
		if (next === null) {
			return refuse(
				`No cell temperature gives this module ${voc} V at ${irradiance.toFixed(0)} W/m²: take both readings again, and check that the nameplate is the right one.`
			);
		}
		irradiance = irradianceFromIsc(model, isc, next);
		const settled = Math.abs(next - cellTemperature) < 1e-9;
		cellTemperature = next;
		if (settled) break;
	}
	return succeed({ irradiance, cellTemperature });
}
