import { Bench } from 'tinybench';
import { fitLabel } from '$core/module/fit';
import { currentAt, maximumPowerPoint, voltageAt } from '$core/module/single-diode';
import { currentByBisection } from './baseline/bisection';
import { printTable } from './print';

/*
 * Solves of the single-diode equation and fits of labels, per second on one core. The baseline is
 * a textbook solver: bisection on the current to the same tolerance.
 */

const label = {
	cellsInSeries: 60,
	voc: 40.58,
	isc: 10.78,
	vmp: 33.15,
	imp: 10.11,
	alphaIscPctPerK: 0.048,
	betaVocPctPerK: -0.27
};
const module_ = fitLabel(label).reference;
const POINTS = 1000;
const volts = Float64Array.from({ length: POINTS }, (_, i) => (label.voc * i) / POINTS);
const amps = Float64Array.from({ length: POINTS }, (_, i) => (label.isc * i) / POINTS);

/** Keeps results alive, so that no solve is optimised away. */
let sink = 0;
const overAll = (points: Float64Array, solve: (x: number) => number) => () => {
	for (const x of points) sink += solve(x);
};

const bench = new Bench({ time: 800, warmupTime: 300 });
bench
	.add(
		'baseline: I(V) by bisection',
		overAll(volts, (v) => currentByBisection(module_, v))
	)
	.add(
		'I(V)',
		overAll(volts, (v) => currentAt(module_, v))
	)
	.add(
		'V(I)',
		overAll(amps, (i) => voltageAt(module_, i))
	)
	.add(
		'maximum-power point',
		overAll(amps, () => maximumPowerPoint(module_).amps)
	)
	.add('label fit', () => {
		for (let i = 0; i < POINTS; i++) {
			sink += fitLabel({ ...label, vmp: label.vmp + 1e-4 * i }).residual;
		}
	});
await bench.run();
printTable('single-diode model', bench, POINTS, 'baseline: I(V) by bisection');
if (Number.isNaN(sink)) throw new Error('a solve gave NaN');
