import { labelPower } from './label-power';
import type { ArrayRecord } from './record';

/** What a list shows of a record. */
export interface RecordOutline {
	readonly strings: number;
	/** In strings; modules that were only counted are not among them. */
	readonly modules: number;
	/** Modules of the first strings. */
	readonly first: readonly number[];
	/** W */
	readonly labelWatts: number;
}

const FIRST = 12;

export function outlineOf(record: ArrayRecord): RecordOutline {
	const counts = record.strings.map(({ moduleCount }) => moduleCount);
	return {
		strings: counts.length,
		modules: counts.reduce((sum, count) => sum + count, 0),
		first: counts.slice(0, FIRST),
		labelWatts: labelPower(record)
	};
}
