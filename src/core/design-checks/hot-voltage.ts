import { fitLabel } from '../module/fit';
import { maximumPowerPoint } from '../module/single-diode';
import { translate } from '../module/translate';
import type { ModuleType } from '../record/record';
import { STC_IRRADIANCE } from '../units/constants';

/** Vmp of one module in full sun, V. */
export function vmpAt(type: ModuleType, cellTemperature: number): number {
	return maximumPowerPoint(translate(fitLabel(type.plate), STC_IRRADIANCE, cellTemperature)).volts;
}
