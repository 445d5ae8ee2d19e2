import { type ArrayRecord, typesInString } from '../../record';
import { factsOf, targetsOf } from '../target';
import type { Generator } from './production';

/**
 * The array as generators: modules of one type in one plane each.
 *
 * @param year of the time that is looked at, for the modules' age
 * @returns generators, and modules whose plane nobody has recorded
 */
export function generatorsOf(
	record: ArrayRecord,
	year: number
): { readonly generators: readonly Generator[]; readonly unplaced: number } {
	const groups = new Map<string, Generator>();
	let unplaced = 0;
	const types = new Map(record.strings.map((string) => [string.id, typesInString(string)]));
	const age = record.inServiceSince === null ? 0 : Math.max(year - record.inServiceSince, 0);
	const whole = factsOf(record, { kind: 'array' });
	for (const target of targetsOf(record)) {
		if (target.kind !== 'module') continue;
		const typeId = types.get(target.string)![target.module - 1];
		const type = record.moduleTypes.find(({ id }) => id === typeId);
		const plane = factsOf(record, target)?.plane;
		if (!type || !plane) {
			unplaced++;
			continue;
		}
		const key = `${type.id} ${plane.tilt}/${plane.azimuth}`;
		const before = groups.get(key);
		groups.set(key, {
			type,
			plane,
			age,
			modules: (before?.modules ?? 0) + 1,
			ratedWatts: null
		});
	}
	// A rating is of the whole: each part is cut at its share of it.
	const labels = whole?.labelWatts ?? 0;
	const rated = whole?.ratedWatts ?? null;
	const generators = [...groups.values()].map((one) => ({
		...one,
		ratedWatts:
			rated === null || labels === 0 ? null : (rated * one.modules * one.type.plate.pmax) / labels
	}));
	return { generators, unplaced };
}
