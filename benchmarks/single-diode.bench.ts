import { Bench } from 'tinybench';
import { currentAt, fitLabel, maximumPowerPoint, voltageAt } from '$core/module';
import { currentByBisection } from './baseline/bisection';
import { fitFiveUnknowns } from './baseline/five-unknowns';
import { printTable } from './print';

/*
 * Solves of the single-diode equation and fits of labels, per second on one core. The baselines are
 * a textbook solver (bisection on the current to the same tolerance) and the five equations of a
 * label solved as they stand.
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
const voltage = Float64Array.from({ length: POINTS }, (_, i) => (label.voc * i) / POINTS);
const current = Float64Array.from({ length: POINTS }, (_, i) => (label.isc * i) / POINTS);

/** Keeps results alive, so that no solve is optimised away. */
let sink = 0;
const overAll = (points: Float64Array, solve: (x: number) => number) => () => {
	for (const x of points) sink += solve(x);
};

const bench = new Bench({ time: 800, warmupTime: 300 });
bench
	.add(
		'baseline: I(V) by bisection',
		overAll(voltage, (v) => currentByBisection(module_, v))
	)
	.add(
		'I(V)',
		overAll(voltage, (v) => currentAt(module_, v))
	)
	.add(
		'V(I)',
		overAll(current, (i) => voltageAt(module_, i))
	)
	.add(
		'maximum-power point',
		overAll(current, () => maximumPowerPoint(module_).amps)
	);
await bench.run();
printTable('single-diode model', bench, POINTS, 'baseline: I(V) by bisection');

/** The same label with its Vmp moved a little, so that no two fits are alike. */
const labels = Array.from({ length: 200 }, (_, i) => ({ ...label, vmp: label.vmp + 5e-4 * i }));
if (fitFiveUnknowns(label) > 1e-6) throw new Error('the baseline does not meet the label');
const fits = new Bench({ time: 800, warmupTime: 300 });
fits
	.add('baseline: five unknowns at once', () => {
		for (const each of labels) sink += fitFiveUnknowns(each);
	})
	.add('label fit', () => {
		for (const each of labels) sink += fitLabel(each).residual;
	});
await fits.run();
printTable('label fits', fits, labels.length, 'baseline: five unknowns at once');
if (Number.isNaN(sink)) throw new Error('a solve gave NaN');
