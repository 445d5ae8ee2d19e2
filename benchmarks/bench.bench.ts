import { Bench } from 'tinybench';
import {
	answerConfiguration,
	asTested,
	configurationOf,
	evaluateBatch,
	findGrouping,
	FREE_TARGET,
	type Grouping,
	type GroupingAsk,
	groupingGives,
	WARM_SUN
} from '$core/bench';
import { quickRule } from '$core/circuit';
import { randomFrom } from '$core/numerics';
import { cairnRiggBatch } from '../demo/module-batch';
import { usedModules } from '../tests/support/used-modules';
import { printTable } from './print';

/*
 * The mix of twelve modules after a change, against the quick rule alone; and grouping of used modules,
 * against taking the best by watts and cutting them into strings.
 */

const demo = evaluateBatch(cairnRiggBatch(), 2026).flatMap((result) => asTested(result) ?? []);
const ids = demo.slice(0, 12).map(({ id }) => id);
const parts = {
	sky: WARM_SUN,
	blocking: false,
	moduleOf: (id: string) => demo.find((module) => module.id === id)!
};
const mix = configurationOf([ids.slice(0, 3), ids.slice(3, 6), ids.slice(6, 9), ids.slice(9)]);
const arrangement = {
	kind: 'parallel' as const,
	of: [0, 3, 6, 9].map((at) => ({
		kind: 'series' as const,
		of: ids.slice(at, at + 3).map((id) => {
			const { plate: nameplate } = parts.moduleOf(id);
			return { kind: 'module' as const, volts: nameplate.vmp, amps: nameplate.imp };
		})
	}))
};
const bench = new Bench({ time: 2000, warmupTime: 500 });
bench
	.add('baseline: the quick rule alone', () => void quickRule(arrangement))
	.add('the mix of twelve by its curves', () => void answerConfiguration(mix, parts));
await bench.run();
printTable('a mix of twelve', bench, 1, 'baseline: the quick rule alone');

console.log('\ngrouping                         s    watts  by watts alone  of all one by one');
for (const [count, wanted, words] of [
	[60, { kind: 'fixed', strings: 6, modules: 10 }, '60 as 6 x 10'],
	[200, { kind: 'fixed', strings: 20, modules: 10 }, '200 as 20 x 10'],
	[200, { kind: 'free' }, '200, any layout']
] as const) {
	const modules = usedModules(count, 3);
	const random = randomFrom(9);
	const ask: GroupingAsk = {
		modules,
		wanted,
		target: { ...FREE_TARGET, maxVolts: 600, windowLow: 150, lowest: -14 },
		sky: WARM_SUN
	};
	const start = performance.now();
	const running = findGrouping(ask, () => random.uniform());
	let found: Grouping | null;
	for (;;) {
		const { value, done } = running.next();
		if (done) {
			found = value;
			break;
		}
	}
	const seconds = (performance.now() - start) / 1000;
	const gives = groupingGives(found!, ask);
	const length = found!.strings[0]!.length;
	const sorted = [...modules].sort((a, b) => b.plate.pmax - a.plate.pmax).map(({ id }) => id);
	const plain = groupingGives(
		{
			strings: found!.strings.map((_, s) => sorted.slice(s * length, (s + 1) * length)),
			out: sorted.slice(found!.strings.length * length)
		},
		ask
	);
	console.log(
		`${words.padEnd(28)} ${seconds.toFixed(1).padStart(5)} ${gives.power.toFixed(0).padStart(8)} ${plain.power.toFixed(0).padStart(15)} ${((100 * gives.power) / gives.alone).toFixed(1).padStart(15)} %`
	);
}
