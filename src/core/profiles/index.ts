export { COLD_VOLTAGE, GPV, IEC_CURRENT } from './iec';
export { INSULATION, insulationRow } from './insulation';
export { INVERTER_FACTOR, necBusbar } from './interconnection';
export { rapidShutdownDuty } from './rapid-shutdown';
export { COLD_FACTORS, ROOF_ADDER, ROOF_ADDER_2014, US_CURRENT } from './us';
