import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { PlainSubstring } from './dense-bisection';

const THERMAL_VOLTAGE = 0.025692579;

/** A string as a netlist with a sweep of its volts. */
function netlist(
	substrings: readonly PlainSubstring[],
	voltageAtMost: number,
	points: number
): string {
	const lines = ['* a string of sections, swept in volts', '.options temp=25 tnom=25'];
	lines.push('.model bypass D(IS=5e-7 N=1.05)');
	substrings.forEach((substring, i) => {
		const below = i === 0 ? '0' : `n${i}`;
		lines.push(
			`.model cell${i} D(IS=${substring.saturationCurrent} N=${substring.modifiedIdeality / THERMAL_VOLTAGE})`,
			`I${i} ${below} j${i} ${substring.photocurrent}`,
			`D${i} j${i} ${below} cell${i}`,
			`RP${i} j${i} ${below} ${substring.shuntResistance}`,
			`RS${i} j${i} n${i + 1} ${substring.seriesResistance}`,
			`DB${i} ${below} n${i + 1} bypass`
		);
	});
	const step = voltageAtMost / (points - 1);
	lines.push(`V1 n${substrings.length} 0 0`, `.dc V1 0 ${voltageAtMost} ${step}`);
	lines.push('.control', 'run', 'rusage time totiter', 'print i(v1)[0]', '.endc', '.end');
	return lines.join('\n');
}

/** What the simulator needed for one sweep. */
export interface SpiceRun {
	/** Of the analysis alone, by its own account, s. */
	readonly analysis: number;
	/** Of the whole program, s. */
	readonly wall: number;
}

/** Runs the same sweep in ngspice; null where that is not on this machine. Best of some runs. */
export function runSpice(
	substrings: readonly PlainSubstring[],
	voltageAtMost: number,
	points: number
): SpiceRun | null {
	if (spawnSync('ngspice', ['--version']).error) return null;
	const folder = mkdtempSync(join(tmpdir(), 'zembo-spice-'));
	const file = join(folder, 'string.cir');
	writeFileSync(file, netlist(substrings, voltageAtMost, points));
	let best: SpiceRun | null = null;
	for (let run = 0; run < 5; run++) {
		const start = performance.now();
		const { stdout } = spawnSync('ngspice', ['-b', file], { encoding: 'utf8' });
		const wall = (performance.now() - start) / 1000;
		const analysis = Number(/Total analysis time \(seconds\) = ([\d.e+-]+)/.exec(stdout)?.[1]);
		if (!(analysis > 0)) throw new Error(`the simulator gave no time:\n${stdout.slice(0, 500)}`);
		if (best === null || analysis < best.analysis) best = { analysis, wall };
	}
	rmSync(folder, { recursive: true });
	return best;
}
