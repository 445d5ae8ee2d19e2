import { tallyDiagnosis } from './field/diagnosis';
import { tallyJudgement } from './field/judgement';
import { casesOf, type FieldCase, type NeutralCase } from './field/sets';
import { wilson } from './tracing/score';

/*
 * Judgement and diagnosis on visits that the project did not invent: two other generators, one with its own
 * module physics. A fixed part of each set is kept in tests/reference/data/field; --all=FOLDER scores whole sets.
 */
const folder = process.argv.find((arg) => arg.startsWith('--all='))?.slice(6) ?? null;

/**
 * Shares of failed readings that a statistician reaches who knows the true scatter, uses strings of one plane
 * alone and one kind of reading, and fails 2 % of healthy visits, %; given with the data.
 */
const FRONTIER: Readonly<Record<string, number>> = {
	section: 76,
	module: 98,
	cur10: 88,
	cur20: 92,
	cur5: 24,
	ohm3: 20,
	shade1: 28
};

const share = (hits: number, of: number) => {
	const [low, high] = wilson(hits, of);
	const pct = (x: number) => (100 * Math.max(0, x)).toFixed(1);
	return `${pct(hits / Math.max(of, 1)).padStart(5)} (${pct(low)}-${pct(high)})`.padEnd(20);
};

console.log('\ndiagnosis, % (Wilson, 95 %)');
for (const set of ['visits-even', 'visits-field']) {
	const tally = tallyDiagnosis(casesOf<NeutralCase>(set, folder));
	console.log(
		`${set}, ${tally.visits} visits with a fault that shows, ${tally.healthyVisits} healthy`
	);
	for (const [words, hits, of] of [
		['first line right', tally.first, tally.visits],
		['  of them a statistician', tally.frontier, tally.visits],
		['without low currents', tally.plainFirst, tally.plainVisits],
		['  of them a statistician', tally.plainFrontier, tally.plainVisits],
		['among the first three', tally.three, tally.visits],
		['fault called healthy', tally.calledHealthy, tally.visits],
		['healthy called faulty', tally.accused, tally.healthyVisits],
		['right where 0.9 or more is said', tally.sureRight, tally.sureLines]
	] as const) {
		console.log(`  ${words.padEnd(32)} ${share(hits, of)} of ${of}`);
	}
}

const judged = tallyJudgement(
	['field-healthy', 'field-faulty'].flatMap((set) => [...casesOf<FieldCase>(set, folder)])
);
console.log(
	`\njudgement, %${' '.repeat(18)}visits  fail                 of frontier  marginal or fail     first line*`
);
for (const [kind, tally] of judged) {
	const { visits, fail, marginal, accused, right } = tally;
	const named = kind.startsWith('healthy') ? accused : right;
	console.log(
		`${kind.padEnd(30)} ${String(visits).padStart(5)}  ${share(fail, visits)} ${String(FRONTIER[kind] ?? '').padStart(11)}  ${share(marginal, visits)} ${share(named, visits)}`
	);
}
console.log('* of healthy visits: names a fault; of others: names the string concerned');
