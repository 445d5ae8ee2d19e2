import { Bench } from 'tinybench';
import {
	type BusCircuit,
	BusSource,
	BYPASS_DIODE,
	curveOf,
	powerMaxima,
	solveBus,
	type StringCircuit,
	TYPICAL_BREAKDOWN,
	wholeString
} from '$core/circuit';
import { inject } from '$core/faults';
import type { FaultCode } from '$core/visit';
import { fitLabel } from '$core/module';
import { denseCurve, type PlainSubstring } from './baseline/dense-bisection';
import { runSpice } from './baseline/spice';
import { printTable } from './print';

/*
 * Whole curves of strings, and arrays. The baselines are a textbook solver that bisects every section at
 * every point, and, where it is installed, a general-purpose circuit simulator on the same circuit.
 */

const POINTS = 400;
const module_ = fitLabel({
	cellsInSeries: 60,
	voc: 40.58,
	isc: 10.78,
	vmp: 33.15,
	imp: 10.11,
	alphaIscPctPerK: 0.048,
	betaVocPctPerK: -0.27
}).reference;

/** A string of 24 modules whose sections have these lights. */
function stringIn(irradiance: (index: number) => number): StringCircuit {
	const whole = wholeString(module_, 24, 3, 0, 'S1');
	let index = 0;
	return {
		...whole,
		modules: Array.from({ length: 24 }, () => ({
			...whole.modules[0]!,
			count: 1,
			sections: whole.modules[0]!.sections.map((substring) => ({
				...substring,
				light: irradiance(index++)
			}))
		}))
	};
}

const busOf = (...strings: StringCircuit[]): BusCircuit => ({
	strings,
	bypass: BYPASS_DIODE,
	breakdown: TYPICAL_BREAKDOWN
});

function plainSubstrings(string: StringCircuit): PlainSubstring[] {
	return string.modules.flatMap(({ params, sections: substrings }) =>
		substrings.map(({ light: irradiance }) => ({
			photocurrent: params.photocurrent * irradiance,
			saturationCurrent: params.saturationCurrent,
			seriesResistance: params.seriesResistance / 3,
			shuntResistance: params.shuntResistance / 3 / irradiance,
			modifiedIdeality: params.modifiedIdeality / 3
		}))
	);
}

let sink = 0;

async function curves(title: string, string: StringCircuit): Promise<void> {
	const bus = busOf(string);
	const plain = plainSubstrings(string);
	const { openVoltage } = new BusSource(bus);
	const own = curveOf(new BusSource(bus), POINTS);
	const dense = denseCurve(plain, openVoltage, 20);
	dense.slice(0, -1).forEach((current, i) => {
		const found = new BusSource(bus).currentAt((openVoltage * i) / 19);
		if (Math.abs(found - current) > 1e-4) throw new Error('the two solvers disagree');
	});
	sink += own.amps[0]!;
	const baseline = new Bench({ iterations: 2, time: 0, warmup: false });
	baseline.add('baseline: dense bisection', () => {
		sink += denseCurve(plain, openVoltage, POINTS)[0]!;
	});
	await baseline.run();
	const denseSeconds = baseline.tasks[0]!.result as { latency?: { mean: number } };
	const curve = new Bench({ time: 1500, warmupTime: 500 });
	curve
		.add('whole curve', () => {
			sink += curveOf(new BusSource(bus), POINTS).amps[0]!;
		})
		.add('global maximum', () => {
			sink += powerMaxima(new BusSource(bus))[0]!.amps;
		});
	await curve.run();
	const [ours, peak] = curve.tasks.map(
		(task) => (task.result as { latency: { mean: number } }).latency.mean
	);
	const slow = denseSeconds.latency!.mean;
	console.log(`\n${title}, ${POINTS} points (Node.js ${process.version}, one core)`);
	console.log(`  baseline: dense bisection      ${slow.toFixed(1)} ms`);
	console.log(
		`  whole curve                    ${ours!.toFixed(3)} ms, ${(slow / ours!).toFixed(0)} x baseline`
	);
	console.log(`  global maximum                 ${peak!.toFixed(3)} ms`);
	const spice = runSpice(plain, openVoltage, POINTS);
	console.log(
		spice
			? `  ngspice, its analysis alone    ${(1000 * spice.analysis).toFixed(1)} ms, so ${((1000 * spice.analysis) / ours!).toFixed(0)} x; its whole run ${(1000 * spice.wall).toFixed(0)} ms`
			: '  ngspice                        not on this machine'
	);
}

await curves(
	'24 modules, one section shaded',
	stringIn((i) => (i === 40 ? 0.4 : 1))
);
await curves(
	'24 modules, 72 sections in 72 lights',
	stringIn((i) => 0.3 + (0.7 * ((i * 29) % 72)) / 71)
);

/** 120 strings of 28, one module in twenty with a fault: a congruential walk over codes and places. */
function largeArray(): BusCircuit {
	const codes: FaultCode[] = [
		'bypass-diode-shorted',
		'section-open',
		'module-shorted',
		'module-degraded',
		'shade',
		'section-resistive',
		'bypass-diode-open'
	];
	let bus: BusCircuit = {
		...busOf(...Array.from({ length: 120 }, (_, i) => wholeString(module_, 28, 3, 0.4, `S${i}`))),
		load: {
			kind: 'tracker',
			window: { least: 200, most: 1500 },
			ampsAtMost: null,
			wattsAtMost: null
		}
	};
	let state = 7;
	const next = (n: number) => {
		state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
		return Math.floor((state / 2 ** 32) * n);
	};
	for (let i = 0; i < 168; i++) {
		const place = { string: `S${next(120)}`, module: next(28), section: next(3) };
		const injected = inject(bus, { code: codes[next(codes.length)]!, place });
		if (injected.ok) ({ bus } = injected.value);
	}
	return bus;
}

const large = largeArray();
const array = new Bench({ time: 2000, warmupTime: 500 });
array
	.add('baseline: its curve of 400 points', () => {
		sink += curveOf(new BusSource(large), POINTS).amps[0]!;
	})
	.add('operating point and every branch', () => {
		sink += solveBus(large).power;
	});
await array.run();
printTable('120 strings of 28, 168 faults', array, 1, 'baseline: its curve of 400 points');
if (Number.isNaN(sink)) throw new Error('a solve gave NaN');
