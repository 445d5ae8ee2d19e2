import { judgeByModel } from '$core/assessment';
import { effectiveVisit } from '$core/visit';
import { Bench } from 'tinybench';
import { readVisitData } from '$core/document';
import { assess, traceGroups } from '$core/diagnosis';
import document from '../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { arrayRecord, normalFrom, visitOf } from '../tests/support/scenario';
import { printTable } from './print';

/*
 * One answer on the demo's visit (8 strings, 16 readings) and on 24 strings of 24 modules. The
 * baseline is expected values and verdicts alone.
 */
const read = readVisitData(document);
if (!read.ok) throw new Error(read.problem.what);
const large = arrayRecord(
	Array.from({ length: 24 }, (_, i) => `A${i + 1}`),
	24
);
const cases = [
	{ title: 'one answer on the demo', record: read.value.record, visit: read.value.visit },
	{
		title: 'one answer on 24 strings of 24',
		record: large,
		visit: visitOf({
			record: large,
			faults: { A3: { code: 'section-open' }, A9: { code: 'fuse-blown' } },
			normal: normalFrom(7)
		})
	}
];

for (const { title, record, visit } of cases) {
	const { peerGroups } = judgeByModel(record, effectiveVisit(record, visit));
	const bench = new Bench({ time: 2000, warmupTime: 500 });
	bench
		.add('baseline: verdicts alone', () => void judgeByModel(record, effectiveVisit(record, visit)))
		.add('ranking alone', () => void traceGroups(record, effectiveVisit(record, visit), peerGroups))
		.add('verdicts, causes and next tests', () => void assess(record, visit));
	await bench.run();
	printTable(title, bench, 1, 'baseline: verdicts alone');
}
