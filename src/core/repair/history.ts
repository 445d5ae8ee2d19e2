import { placeKey, type RepairEntry } from '../visit';

/** What was done about one part over the years. */
export interface PartHistory {
	readonly key: string;
	/** Oldest first. */
	readonly entries: readonly [RepairEntry, ...RepairEntry[]];
	/** It was put right before, and failed again. */
	readonly again: boolean;
}

/**
 * Repairs by place, those that failed again first. Two repairs of one place within a day are one
 * visit's work and no new failure.
 */
export function partHistories(repairs: readonly RepairEntry[]): PartHistory[] {
	const byPlace = new Map<string, [RepairEntry, ...RepairEntry[]]>();
	for (const entry of [...repairs].sort((a, b) => (a.at < b.at ? -1 : 1))) {
		const key = placeKey(entry.place, '');
		const known = byPlace.get(key);
		if (known) known.push(entry);
		else byPlace.set(key, [entry]);
	}
	return [...byPlace]
		.map(([key, entries]) => {
			const days = new Set(
				entries.filter(({ step }) => step === 'repaired').map(({ at }) => at.slice(0, 10))
			);
			return { key, entries, again: days.size > 1 };
		})
		.sort(
			(a, b) =>
				Number(b.again) - Number(a.again) || (a.entries.at(-1)!.at < b.entries.at(-1)!.at ? 1 : -1)
		);
}
