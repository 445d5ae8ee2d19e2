import { describe, expect, it } from 'vitest';
import {
	answersOf,
	type Arrangement,
	type BusCircuit,
	BusSource,
	BYPASS_DIODE,
	fuseVerdict,
	quickRule,
	type StringCircuit,
	TYPICAL_BREAKDOWN,
	whereTheyPart,
	wholeModules,
	wholeString
} from '$core/circuit';
import { inject } from '$core/faults';
import { fitLabel, type SingleDiode, translate } from '$core/module';

/*
 * What the trade says of circuits: common practice, no source, unless one is named. Where a fact gives
 * volts and amps of a module without saying at which point, they are taken at full power.
 */

const standard = (vmp: number, imp: number, over: { voc?: number; isc?: number } = {}) =>
	fitLabel({
		cellsInSeries: Math.round(vmp / 0.54),
		vmp,
		imp,
		voc: over.voc ?? vmp * 1.22,
		isc: over.isc ?? imp * 1.07,
		alphaIscPctPerK: 0.05,
		betaVocPctPerK: -0.3
	});
const series = (...modules: SingleDiode[]): StringCircuit => ({
	...wholeString(modules[0]!, 1, 3, 0, 'S'),
	modules: modules.map((module) => wholeModules(module, 1, 3))
});
const bus = (...strings: StringCircuit[]): BusCircuit => ({
	strings: strings.map((string, i) => ({ ...string, name: `S${i + 1}` })),
	bypass: BYPASS_DIODE,
	breakdown: TYPICAL_BREAKDOWN
});
const module = (voltage: number, current: number): Arrangement => ({
	kind: 'module',
	volts: voltage,
	amps: current
});
const row = (...of: Arrangement[]): Arrangement => ({ kind: 'series', of });
const beside = (...of: Arrangement[]): Arrangement => ({ kind: 'parallel', of });
const times = <T>(count: number, item: T): T[] => Array<T>(count).fill(item);
/** Within a share of the stated figure. */
const near = (found: number, stated: number, share: number) =>
	expect(Math.abs(found / stated - 1)).toBeLessThan(share);

const m20x5 = standard(20, 5).reference;
const m25x8 = standard(25, 8).reference;
const m20x10 = standard(20, 10).reference;

describe('series and parallel', () => {
	it.each<[string, Arrangement, BusCircuit, [number, number]]>([
		[
			'four of 20 V 5 A in parallel: 20 V 20 A',
			beside(...times(4, module(20, 5))),
			bus(...times(4, series(m20x5))),
			[20, 20]
		],
		[
			'in series: 80 V 5 A',
			row(...times(4, module(20, 5))),
			bus(series(...times(4, m20x5))),
			[80, 5]
		],
		[
			'two by two: 40 V 10 A',
			beside(...times(2, row(...times(2, module(20, 5))))),
			bus(...times(2, series(m20x5, m20x5))),
			[40, 10]
		],
		[
			'two of 10 A beside two of 5 A, each pair in series: 40 V 15 A, all of it',
			beside(row(...times(2, module(20, 10))), row(...times(2, module(20, 5)))),
			bus(series(m20x10, m20x10), series(m20x5, m20x5)),
			[40, 15]
		]
	])('%s, by the rule and by the curve', (_, arrangement, circuit, [voltage, current]) => {
		const quick = quickRule(arrangement);
		expect(quick).toMatchObject({ volts: voltage, amps: current, watts: voltage * current });
		const { vmp, imp, pmp } = answersOf(circuit, []);
		near(vmp, voltage, 0.005);
		near(imp, current, 0.005);
		near(pmp, quick.labelWatts, 0.001);
	});

	it('two of 25 V 8 A with two of 20 V 5 A: 520 of 600 W in parallel, 450 W in series', () => {
		const all = [...times(2, module(25, 8)), ...times(2, module(20, 5))];
		expect(quickRule(beside(...all))).toMatchObject({
			volts: 20,
			amps: 26,
			watts: 520,
			labelWatts: 600
		});
		expect(quickRule(row(...all))).toMatchObject({ volts: 90, amps: 5, watts: 450 });
		const inRow = answersOf(bus(series(m25x8, m25x8, m20x5, m20x5)), []);
		// The curve goes past the rule's 450 W, and says why.
		expect(inRow.pmp).toBeGreaterThan(450);
		const words = whereTheyPart(quickRule(row(...all)), { volts: inRow.vmp, amps: inRow.imp }, [
			inRow.imp
		]);
		expect(words).toMatch(/more/);
		const together = answersOf(bus(series(m25x8), series(m25x8), series(m20x5), series(m20x5)), []);
		near(together.pmp, 520, 0.06);
	});

	it('three of 20 V 10 A beside two of 20 V 5 A: 40 V 15 A by the rule, 600 of 800 W', () => {
		const quick = quickRule(
			beside(row(...times(3, module(20, 10))), row(...times(2, module(20, 5))))
		);
		expect(quick).toMatchObject({ volts: 40, amps: 15, watts: 600, labelWatts: 800 });
		const { pmp } = answersOf(bus(series(...times(3, m20x10)), series(m20x5, m20x5)), []);
		expect(pmp).toBeGreaterThan(560);
		expect(pmp).toBeLessThan(800);
	});

	it('six of 17 V 11.76 A in two strings fall from 1200 W to 600 W with one more in parallel', () => {
		const three = row(...times(3, module(17, 11.76)));
		near(quickRule(beside(three, three)).watts, 1200, 0.001);
		near(quickRule(beside(three, three, module(17, 11.76))).watts, 600, 0.001);
		const m = standard(17, 11.76).reference;
		const threes = times(2, series(m, m, m));
		const more = answersOf(bus(...threes, series(m)), []);
		expect(more.pmp).toBeLessThan(answersOf(bus(...threes), []).pmp * 0.6);
	});
});

describe('one module covered', () => {
	it('two of 41 V 9.76 A on a 48 V battery: about 9.7 A fall to 1.6 A, volts rise towards 80 V', () => {
		const lit = standard(41, 9.76).reference;
		const two = series(lit, lit);
		near(answersOf(bus(two), [55]).atVolts[0]!.amps, 10.3, 0.06);
		near(answersOf(bus(two), []).imp, 9.76, 0.01);
		const covered = inject(bus(two), {
			code: 'shade',
			place: { string: 'S1', module: 1 },
			size: 1 - 1.6 / lit.photocurrent
		});
		if (!covered.ok) throw new Error(covered.problem);
		// A controller that cannot go below its battery cannot let the covered module be passed.
		const at = answersOf(covered.value.bus, [55, 80]).atVolts;
		near(at[0]!.amps, 1.6, 0.03);
		near(at[1]!.amps, 1.6, 0.05);
	});

	it('nine of 40 V in series: volts fall by one module, current stays', () => {
		const lit = standard(40, 10).reference;
		const nine = bus(series(...times(9, lit)));
		const covered = inject(nine, {
			code: 'shade',
			place: { string: 'S1', module: 4 },
			size: 0.95
		});
		if (!covered.ok) throw new Error(covered.problem);
		const [whole, passed] = [answersOf(nine, []), answersOf(covered.value.bus, [])];
		near(whole.vmp - passed.vmp, 40, 0.05);
		near(passed.imp, whole.imp, 0.005);
	});
});

describe('a module in other light', () => {
	it('label Isc 9.5 A turned to the sun: 4.3 A rise to 9.0 A, volts only from 34.6 to 36 V', () => {
		const model = standard(31.5, 8.9, { voc: 37.6, isc: 9.5 });
		const at = (irradiance: number) => answersOf(bus(series(translate(model, irradiance, 40))), []);
		const [off, square] = [at((1000 * 4.3) / 9.55), at((1000 * 9.0) / 9.55)];
		near(off.isc, 4.3, 0.01);
		near(square.isc, 9.0, 0.01);
		expect(square.voc - off.voc).toBeGreaterThan(0.8);
		expect(square.voc - off.voc).toBeLessThan(1.9);
	});

	it('a 39 V label on a clear summer noon: about 36 V', () => {
		const hot = translate(standard(32, 9, { voc: 39 }), 950, 52);
		near(answersOf(bus(series(hot)), []).voc, 36, 0.02);
	});

	it('a small dark cell of 5.5 V driven from outside: nothing to 3 V, then ever more', () => {
		const cell = fitLabel({
			cellsInSeries: 10,
			vmp: 4.4,
			imp: 0.15,
			voc: 5.5,
			isc: 0.17,
			alphaIscPctPerK: 0.05,
			betaVocPctPerK: -0.3
		}).reference;
		const dark = { ...cell, photocurrent: 0, shuntResistance: cell.shuntResistance * 1e3 };
		const bare = { ...bus({ ...wholeString(dark, 1, 1, 0) }), breakdown: null };
		const taken = (voltage: number) => -new BusSource(bare).currentAt(voltage);
		expect(taken(3)).toBeLessThan(0.001);
		// The practice figures are of one cell of unknown fill: order and growth are what is checked.
		expect(taken(5)).toBeGreaterThan(0.005);
		expect(taken(5)).toBeLessThan(0.06);
		near(taken(5.5), 0.08, 0.6);
		near(taken(6), 0.15, 0.9);
		expect(taken(6)).toBeGreaterThan(taken(5.5) * 1.5);
	});
});

describe('a shorted module among its neighbours', () => {
	// 1.45 times the rating opens a gPV fuse: IEC 60269-6 (from memory).
	const model = standard(37.2, 5.11, { isc: 5.11 * 1.02, voc: 45 });
	const fed = (neighbours: number, irradiance: number) => {
		const lit = translate(model, irradiance, 25);
		const dead = {
			...series(lit),
			modules: [{ ...wholeModules(lit, 1, 3), state: 'bridged' as const }]
		};
		const source = new BusSource(bus(...times(neighbours, series(lit)), dead));
		return source.branchesAt(source.openVoltage).at(-1)!;
	};

	it('two neighbours do not blow a 10 A fuse, three do in full sun', () => {
		expect(fuseVerdict(fed(2, 1000), 10)).toBe('holds');
		expect(fuseVerdict(fed(3, 1000), 10)).toBe('opens');
		near(-fed(3, 1000), 15.6, 0.03);
	});

	it('and not below about 946 W/m2, by 14.5 A over three times 5.11 A', () => {
		expect((14.5 / (3 * 5.11)) * 1000).toBeCloseTo(946, 0);
		expect(fuseVerdict(3 * 5.11 * 0.94, 10)).toBe('uncertain');
		expect(fuseVerdict(3 * 5.11 * 0.95, 10)).toBe('opens');
	});
});
