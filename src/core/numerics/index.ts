export { fallingRoot } from './falling-root';
export { solveBounded } from './least-squares';
export { logSum } from './log-sum';
export {
	logNormalDensity,
	normalDensity,
	normalQuantile,
	normalTail,
	ROOT_TWO_PI
} from './normal-distribution';
export { median, quantile } from './quantile';
export { type Random, randomFrom } from './random';
export { risingRoot, type Slope, SMOOTH } from './rising-root';
export { noiseOf, robustSlope } from './robust-slope';
export { solveLinear } from './solve-linear';
