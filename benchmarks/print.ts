import type { Bench } from 'tinybench';

/**
 * Prints operations per second and the ratio to a named baseline of the same run.
 *
 * @param perTask operations that one run of a task does
 */
export function printTable(title: string, bench: Bench, perTask: number, baseline: string): void {
	const rate = (name: string) => {
		const result = bench.getTask(name)?.result;
		return result && 'throughput' in result ? result.throughput.mean * perTask : Number.NaN;
	};
	console.log(`\n${title} (Node.js ${process.version}, one core)`);
	for (const { name } of bench.tasks) {
		const perSecond = rate(name);
		const ratio = perSecond / rate(baseline);
		console.log(
			`  ${name.padEnd(34)} ${perSecond.toExponential(2).padStart(10)} per second, ${(1e6 / perSecond).toPrecision(3).padStart(7)} us each${name === baseline ? '' : `, ${ratio.toFixed(1)} x baseline`}`
		);
	}
}
