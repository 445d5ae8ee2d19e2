import { drawScenario, HIDDEN_CODES, isTooMild, type Scenario } from '$core/training';
import { assess } from '$core/diagnosis';
import { firstLines } from '../tests/support/first-lines';
import { isRight, wilson } from './tracing/score';

/*
 * How right the tracing is, on visits of the project's own generator: 1,500 with a fault, 500 healthy.
 * Seeds are fixed; --from=N takes others.
 */

const FROM = Number(process.argv.find((arg) => arg.startsWith('--from='))?.slice(7) ?? 100_000);
const FAULTY = Number(process.argv.find((arg) => arg.startsWith('--faulty='))?.slice(9) ?? 1500);
const HEALTHY = Number(process.argv.find((arg) => arg.startsWith('--healthy='))?.slice(10) ?? 500);
const ONLY = process.argv.find((arg) => arg.startsWith('--only='))?.slice(7);
const LOOK = process.argv.includes('--look');

interface Tally {
	visits: number;
	mild: number;
	first: number;
	three: number;
	healthy: number;
}
const byCode = new Map<string, Tally>();
const LOW = ['shade', 'module-degraded', 'soiling', 'connector-resistive'];
const bins = Array.from({ length: 10 }, () => ({ lines: 0, right: 0, said: 0 }));
let brier = 0;
let loss = 0;
let lines = 0;
let rightLines = 0;
let falseAlarms = 0;

function count(scenario: Scenario): ReturnType<typeof assess>['causes'] {
	const { causes } = assess(scenario.record, scenario.visit);
	// “Nothing that these readings can show” is so where what is hidden is too mild for them.
	const mild = scenario.truth.faults.every((fault) => isTooMild(fault, scenario));
	for (const line of causes) {
		const right = isRight(line, scenario, mild);
		const p = Math.min(Math.max(line.probability, 1e-4), 1 - 1e-4);
		const bin = bins[Math.min(9, Math.floor(p * 10))]!;
		bin.lines++;
		bin.said += p;
		if (right) bin.right++;
		brier += (p - Number(right)) ** 2;
		loss -= Math.log(right ? p : 1 - p);
		lines++;
		rightLines += Number(right);
	}
	return causes;
}

for (let i = 0; i < FAULTY; i++) {
	const code = HIDDEN_CODES[i % HIDDEN_CODES.length]!;
	if (ONLY && code !== ONLY) continue;
	const scenario = drawScenario(FROM + i, { code });
	const [fault] = scenario.truth.faults;
	if (!fault) continue;
	const causes = count(scenario);
	const tally = byCode.get(code) ?? { visits: 0, mild: 0, first: 0, three: 0, healthy: 0 };
	byCode.set(code, tally);
	if (scenario.truth.faults.every((one) => isTooMild(one, scenario))) {
		tally.mild++;
		continue;
	}
	const hit = (n: number) => causes.slice(0, n).some((line) => isRight(line, scenario, false));
	tally.visits++;
	tally.first += Number(hit(1));
	tally.three += Number(hit(3));
	tally.healthy += Number(causes[0]!.members[0].code === 'healthy');
	if (LOOK && !hit(1)) {
		console.log(
			`seed ${FROM + i} ${code} size ${fault.size} on ${fault.strings.join()} of ${scenario.record.strings.length} x ${scenario.record.strings[0]!.moduleCount}: ` +
				causes
					.slice(0, 3)
					.map(
						(c) =>
							`${c.probability.toFixed(2)} ${c.members.map((m) => m.code).join('|')} ${scenario.record.strings.find(({ id }) => id === c.stringId)?.label ?? ''}`
					)
					.join('; ')
		);
	}
}
for (let i = 0; i < (ONLY ? 0 : HEALTHY); i++) {
	const scenario = drawScenario(FROM + 50_000 + i, { code: 'healthy' });
	const [first] = count(scenario);
	const said = first!.members[0].code;
	if (said !== 'healthy' && said !== 'reading-wrong' && !isRight(first!, scenario, true)) {
		falseAlarms++;
		if (LOOK)
			console.log(`seed ${FROM + 50_000 + i} healthy: ${first!.probability.toFixed(2)} ${said}`);
	}
}

const share = (hits: number, of: number) => {
	const [low, high] = wilson(hits, of);
	const pct = (x: number) => (100 * x).toFixed(1);
	return `${pct(hits / Math.max(of, 1)).padStart(5)} % (${pct(low)}-${pct(high)})`;
};
const sum = (wanted: (code: string) => boolean, key: keyof Tally) =>
	[...byCode].filter(([code]) => wanted(code)).reduce((total, [, tally]) => total + tally[key], 0);
console.log(
	'\nfault                    visits  mild  first line right        among three           called healthy'
);
for (const [code, { visits, mild, first, three, healthy }] of byCode) {
	console.log(
		`${code.padEnd(24)} ${String(visits).padStart(6)} ${String(mild).padStart(5)}  ${share(first, visits).padEnd(22)} ${share(three, visits).padEnd(22)} ${share(healthy, visits)}`
	);
}
const all = () => true;
const others = (code: string) => !LOW.includes(code);
console.log(
	`\nfirst line right            ${share(sum(all, 'first'), sum(all, 'visits'))}   bar 93 %`
);
console.log(
	`  without the low currents  ${share(sum(others, 'first'), sum(others, 'visits'))}   bar 97 %`
);
console.log(
	`among the first three       ${share(sum(all, 'three'), sum(all, 'visits'))}   bar 97 %`
);
console.log(
	`fault called healthy        ${share(sum(all, 'healthy'), sum(all, 'visits'))}   bar 6 %`
);
console.log(`healthy called faulty       ${share(falseAlarms, HEALTHY)}   bar 2 %`);
console.log('\nsaid      lines  right  off by');
bins.forEach(({ lines: n, right, said }, i) => {
	if (n === 0) return;
	console.log(
		`${(i / 10).toFixed(1)}-${((i + 1) / 10).toFixed(1)}  ${String(n).padStart(6)}  ${((100 * right) / n).toFixed(1).padStart(5)}  ${((100 * (said - right)) / n).toFixed(1)}`
	);
});
const base = rightLines / lines;
console.log(
	`\nBrier ${(brier / lines).toFixed(4)}, always the base rate ${(base * (1 - base)).toFixed(4)}; log loss ${(loss / lines).toFixed(4)}, always the base rate ${(-(base * Math.log(base) + (1 - base) * Math.log(1 - base))).toFixed(4)}`
);
const reference = firstLines('tests/reference/data/visits.json');
const missed = reference.filter(({ right }) => !right);
console.log(
	`\non ${reference.length} visits of another generator (no bar, too few): first line right in ${reference.length - missed.length}; not in ${missed.map(({ id, hidden }) => `${id} ${hidden}`).join(', ')}`
);
