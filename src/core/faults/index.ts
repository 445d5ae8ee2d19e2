export { CATALOGUE, faultOf } from './catalogue';
export {
	type CauseCode,
	type Family,
	type Fault,
	modulesPerDevice,
	partsOfSpread,
	severitiesOf,
	type Severity,
	type SharedFaultCode,
	type Spread,
	STRING_FAULT_CODES,
	type StringFaultCode
} from './fault';
export { inject, type PlacedFault } from './inject';
export { type FaultRates, RATED_CODES, type RatedCode, rateOf, USUAL_RATES } from './rates';
export {
	dissipationOf,
	type IrradianceChange,
	type PlainCurve,
	study,
	type Study,
	type WhatIf
} from './what-if';
