export {
	ALPHA_UNITS,
	type AlphaUnit,
	BETA_UNITS,
	type BetaUnit,
	coefficientsOf,
	relativeCoefficient
} from './coefficients';
export { fitLabel, type LabelFit, MET } from './fit';
export { cellsInSeries, isHalfCut, readModelCode } from './model-code';
export type { FitNameplate, Nameplate } from './nameplate';
export { checkLabel, fillFactorOf, type LabelFinding } from './plausibility';
export {
	currentAt,
	maximumPowerPoint,
	openCircuitVoltage,
	type OperatingPoint,
	scaledModule,
	shortCircuitCurrent,
	type SingleDiode,
	voltageAt
} from './single-diode';
export {
	DEFAULT_TECHNOLOGY,
	isCrystalline,
	isThinFilm,
	TECHNOLOGIES,
	type Technology,
	TECHNOLOGY_FACTS
} from './technology';
export { type ModuleModel, saturationCurrentRatio, translate } from './translate';
