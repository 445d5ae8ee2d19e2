import type { ArrayRecord } from '../record';
import type { MonitoredQuantity } from './import/monitored-quantity';
import { factsOf, type Target } from './target';

/** Highest power that a preview shows of a unit, W. */
export interface PreviewPeak {
	readonly name: string;
	readonly watched: MonitoredQuantity;
	readonly most: number;
}

const TOO_MUCH = 1.35;
/** Less than this share of its label at its best wants a look, where others of its peers show more. */
const TOO_LITTLE = 0.005;

/** What speaks against a match or a unit of measure, before anything is taken in. */
export function importQuestions(
	record: ArrayRecord,
	targets: ReadonlyMap<string, Target>,
	peaks: readonly PreviewPeak[]
): string[] {
	const questions: string[] = [];
	for (const { name, watched, most } of peaks) {
		const target = targets.get(name);
		const facts = target && factsOf(record, target);
		if (watched !== 'power' || !facts || facts.labelWatts === 0) continue;
		if (most > TOO_MUCH * facts.labelWatts) {
			questions.push(
				`${name || 'The export'} shows ${most.toFixed(0)} W, and ${facts.label} has ${facts.labelWatts.toFixed(0)} W on its label: W and kW mixed up, or another part.`
			);
		} else if (most > 0 && most < TOO_LITTLE * facts.labelWatts) {
			questions.push(
				`${name || 'The export'} shows ${most.toPrecision(2)} W at most, and ${facts.label} has ${facts.labelWatts.toFixed(0)} W on its label: perhaps these are kW.`
			);
		}
	}
	return questions;
}
