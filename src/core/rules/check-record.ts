import type { ArrayRecord } from '../record/record';
import type { Check } from './checks/check';
import { currentChecks } from './checks/currents';
import { electronicsChecks } from './checks/electronics';
import { fuseChecks } from './checks/fuses';
import { gridSideChecks } from './checks/grid-side';
import { voltChecks } from './checks/volts';

export type { Check } from './checks/check';

const ORDER: readonly Check['outcome'][] = ['finding', 'unknown', 'note', 'fits'];

/** Every limit that follows from the record alone, what is wrong first. */
export function checkRecord(record: ArrayRecord): Check[] {
	const checks = [
		...voltChecks(record),
		...fuseChecks(record),
		...currentChecks(record),
		...electronicsChecks(record),
		...gridSideChecks(record)
	];
	return ORDER.flatMap((outcome) => checks.filter((check) => check.outcome === outcome));
}
