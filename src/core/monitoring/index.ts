export { analyseYear, type MonitoringProgress, type YearAnalysis } from './analysis/analyse-year';
export type { Clipping } from './analysis/clipping';
export type { ClockFinding } from './analysis/clock-check';
export { countedOnce, type UnitEnergy } from './analysis/energy';
export type { ArrayEvent, Loss, UnitEvent } from './analysis/event';
export type { ReturningShade } from './analysis/shade';
export { type Degradation, degradationOf, yearsSince } from './benchmark/degradation';
export { powerTemperatureCoefficient } from './benchmark/power-temperature';
export { seasonPoints } from './benchmark/seasons';
export { corrected, type Corrected, USUAL_POWER_COEFFICIENT } from './benchmark/stc-share';
export { clippingPrice } from './clipping-price';
export { expectedOfArray, measuredRatio } from './expected/array';
export { generatorsOf } from './expected/generators';
export { type MonthOfYield, monthsOf } from './expected/months';
export { powerTable, type PowerTable } from './expected/power-table';
export { clearHours, performanceRatio } from './expected/production';
export { conventionOf, stampedBy } from './expected/stamp-convention';
export { looksLikeEpw, readEpw, readWeatherCsv, type Weather } from './expected/weather';
export { fieldsToRecord } from './fields-to-record';
export { importQuestions, type PreviewPeak } from './import-questions';
export type { Zone } from './import/clock';
export type { DecimalMark } from './import/figure';
export { type GuessedLayout, guessLayout } from './import/guess';
export { type FigureColumn, type Layout, layoutProblem, MOST_COLUMNS } from './import/layout';
export {
	MONITORED_QUANTITIES,
	MONITORED_QUANTITY_FACTS,
	type MonitoredQuantity,
	readHeading
} from './import/monitored-quantity';
export { SampleReader } from './import/reader';
export { parseScale } from './import/scale';
export { guessForm, readStamp, STAMP_FORMS, type StampForm } from './import/stamp';
export {
	CONTINUOUS,
	dividerVoltage,
	type Logged,
	shuntCurrent,
	shuntDissipation,
	shuntResistance
} from './logger';
export { matchUnits } from './match';
export { earlierName, renamedQuestion } from './renamed';
export { buildYear, joined, OUTPUT, type PartSamples, unitKey, WEATHER } from './series/build';
export type { Samples, Times } from './series/grid';
export type { Day, MonitoredYear, Unit } from './series/year';
export { factsOf, type Target, targetKey, targetsOf } from './target';
