import { drawScenario, follow, HIDDEN_CODES, type HiddenCode, isTooMild } from '$core/training';
import { isRightAbout, wilson } from './tracing/score';

/*
 * Whole visits traced by the proposed tests to the part; and tests to an open among n modules, against
 * walking from one end.
 */

const PER_CODE = Number(process.argv.find((arg) => arg.startsWith('--per='))?.slice(6) ?? 12);
const LOOK = process.argv.includes('--look');
let visits = 0;
let right = 0;
console.log('\nfault                    visits  right part    tests  minutes');
for (const code of HIDDEN_CODES) {
	let n = 0;
	let hits = 0;
	let tests = 0;
	let minutes = 0;
	for (let i = 0; i < PER_CODE; i++) {
		const scenario = drawScenario(300_000 + 1000 * HIDDEN_CODES.indexOf(code) + i, {
			code,
			plain: true
		});
		const [fault] = scenario.truth.faults;
		if (!fault || isTooMild(fault, scenario)) continue;
		const followed = follow(scenario);
		n++;
		tests += followed.tests.length;
		minutes += followed.minutes;
		const { line } = followed;
		const at = line?.members[0].place.within;
		const placed = fault.at === null || at === undefined || at.likeliest === fault.at;
		const ok =
			line !== null &&
			isRightAbout(line, fault, scenario) &&
			line.members[0].code === fault.code &&
			placed;
		hits += Number(ok);
		if (!ok && LOOK) {
			console.log(
				`  seed ${scenario.seed} ${code} at ${fault.at} size ${fault.size}: ${line?.probability.toFixed(2)} ${line?.members.map((m) => `${m.code} ${m.probability.toFixed(2)} ${m.place.within?.words ?? ''}`).join('|')} after ${followed.tests.length}: ${followed.tests.map((t) => t.slice(37)).join(' ')}`
			);
		}
	}
	visits += n;
	right += hits;
	console.log(
		`${code.padEnd(24)} ${String(n).padStart(6)}  ${String(hits).padStart(10)}    ${(tests / Math.max(n, 1)).toFixed(1).padStart(5)}  ${(minutes / Math.max(n, 1)).toFixed(1).padStart(7)}`
	);
}
const [low, high] = wilson(right, visits);
console.log(
	`\nwhole visit traced to the part  ${((100 * right) / visits).toFixed(1)} % (${(100 * low).toFixed(1)}-${(100 * high).toFixed(1)})   bar 97 %`
);

console.log('\nopens in n modules       tests  minutes  bar  walking tests');
for (const modules of [8, 12, 16, 24]) {
	let tests = 0;
	let minutes = 0;
	let walked = 0;
	const codes: HiddenCode[] = ['connector-open', 'module-open'];
	const count = 40;
	for (let i = 0; i < count; i++) {
		const scenario = drawScenario(400_000 + 100 * modules + i, {
			code: codes[i % 2]!,
			plain: true,
			modules,
			strings: 4,
			devices: false
		});
		const followed = follow(scenario);
		tests += followed.tests.length;
		minutes += followed.minutes;
		walked += scenario.truth.faults[0]!.at! + 1;
	}
	console.log(
		`${String(modules).padEnd(24)} ${(tests / count).toFixed(1).padStart(5)}  ${(minutes / count).toFixed(1).padStart(7)}  ${Math.ceil(Math.log2(modules)) + 2}    ${(walked / count).toFixed(1)}`
	);
}
