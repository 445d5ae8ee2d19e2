import { writeFileSync } from 'node:fs';
import { drawScenario, HIDDEN_CODES, isTooMild } from '$core/training';
import {
	assess,
	calibrated,
	fitSteepness,
	posteriorBehind,
	type SaidAndRight
} from '$core/diagnosis';
import { isRight } from './tracing/score';

/*
 * Fits how often lines are right that say so much, on visits of the project's own generator that take part in
 * nothing else (seeds from 900,000 on). --write puts the answer where the core reads it.
 */
const FROM = 900_000;
const FAULTY = 900;
const HEALTHY = 300;
const FILE = 'src/core/diagnosis/calibration.json';

const lines: SaidAndRight[] = [];
for (let i = 0; i < FAULTY + HEALTHY; i++) {
	const code = i < FAULTY ? HIDDEN_CODES[i % HIDDEN_CODES.length]! : 'healthy';
	const scenario = drawScenario(FROM + i, { code });
	const mild = scenario.truth.faults.every((fault) => isTooMild(fault, scenario));
	for (const line of assess(scenario.record, scenario.visit).causes) {
		if (line.members[0].code === 'healthy') continue;
		lines.push({
			said: posteriorBehind(line.probability),
			right: isRight(line, scenario, mild)
		});
	}
}
const steepness = Number(fitSteepness(lines).toFixed(2));
console.log(`\nsteepness ${steepness} from ${lines.length} lines of ${FAULTY + HEALTHY} visits`);
console.log('said by the posterior   calibrated   right   lines');
for (const low of [0.02, 0.1, 0.2, 0.3, 0.4]) {
	const bin = lines.filter(({ said }) => said >= low && said < (low < 0.1 ? 0.1 : low + 0.1));
	const mean = bin.reduce((sum, { said }) => sum + said, 0) / bin.length;
	const right = bin.filter((line) => line.right).length / bin.length;
	console.log(
		`${mean.toFixed(3).padStart(21)} ${calibrated(mean, steepness).toFixed(3).padStart(12)} ${right.toFixed(3).padStart(7)} ${String(bin.length).padStart(7)}`
	);
}
if (process.argv.includes('--write')) {
	writeFileSync(FILE, `{ "steepness": ${steepness} }\n`);
	console.log(`written to ${FILE}`);
}
