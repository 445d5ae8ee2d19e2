import { fitLabel, maximumPowerPoint, translate } from '../module';
import type { ModuleType } from '../record';
import { STC_IRRADIANCE } from '../units';

/** Vmp of one module in full sun, V. */
export function vmpAt(type: ModuleType, cellTemperature: number): number {
	return maximumPowerPoint(translate(fitLabel(type.plate), STC_IRRADIANCE, cellTemperature)).volts;
}
