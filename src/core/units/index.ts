export { cosd, degrees, sind, tand, wrapDegrees } from './angle';
export { BOLTZMANN_EV_PER_K, STC_CELL_TEMPERATURE, STC_IRRADIANCE } from './constants';
export { parseDecimal } from './decimal';
export { dateOfMillis, dayNumber, instantOf, millisOf, millisOfClock } from './instant';
export { mergeFields } from './merge-fields';
export { refuse, type Result, succeed } from './result';
export { kelvin } from './temperature';
export { parseQuantity } from './typed-quantity';
export { inSentence } from './in-sentence';
