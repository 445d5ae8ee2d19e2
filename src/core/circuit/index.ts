export { answersOf } from './answers';
export { BusSource, type Source, StringSource, voltageInto } from './bus';
export { cableResistance } from './cable';
export { gatherString } from './compile';
export { type Curve, curveOf } from './curve';
export {
	type BusCircuit,
	CLOSED,
	type Device,
	type Disconnect,
	type EarthConnection,
	type Fuse,
	moduleCountOf,
	type ModuleRun,
	type ModuleState,
	type SubstringState,
	type StringCircuit,
	WHOLE_SUBSTRING,
	wholeModules,
	wholeString,
	withModule
} from './description';
export { detailOf, type PartState } from './detail';
export { BLOCKING_SCHOTTKY, BLOCKING_SILICON, BYPASS_DIODE, type DiodeModel } from './diode';
export {
	type EarthFaultPlace,
	earthVoltage,
	type EarthVoltage,
	leakWords,
	locateEarthFault
} from './earth-fault';
export { fuseVerdict, type FuseVerdict, GPV_MULTIPLES } from './fuse';
export { type Load, USUAL_HEADROOM } from './load';
export { powerMaxima } from './maxima';
export { type Limit, operate } from './operate';
export { METER_RESISTANCE, OPEN } from './parts';
export { type Arrangement, type QuickAnswer, quickRule, whereTheyPart } from './quick-rule';
export { TYPICAL_BREAKDOWN } from './substring';
export { solveBus, sourceOf } from './state';
