import { Bench } from 'tinybench';
import { readVisitData } from '$core/document/file';
import { expectReadings } from '$core/expectation/expect';
import { assess } from '$core/trace/assess';
import document from '../demo/saltmarsh-2026-11-17.zembo-visit.json';
import { printTable } from './print';

/* One answer on the demo's visit: 8 strings, 16 readings. The baseline is expected values and verdicts alone. */
const read = readVisitData(document);
if (!read.ok) throw new Error(read.problem.what);
const { record, visit } = read.value;

const bench = new Bench({ time: 2000, warmupTime: 500 });
bench
	.add('baseline: verdicts alone', () => void expectReadings(record, visit))
	.add('verdicts and causes', () => void assess(record, visit));
await bench.run();
printTable('one answer on the demo', bench, 1, 'baseline: verdicts alone');
