import { refuse, succeed, type Result } from './result';

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * Brings a change into what stands now. Fields that the person did not touch keep what somebody else made of them
 * meanwhile.
 *
 * @param seen what the person had before them when they changed it
 * @returns what is to be stored, or the names of the fields that both changed, to different values
 */
export function mergeFields<T extends object>(
	seen: T,
	wanted: T,
	standing: T
): Result<T, (keyof T)[]> {
	const keys = Object.keys(wanted) as (keyof T)[];
	const clashes = keys.filter(
		(key) =>
			!same(wanted[key], seen[key]) &&
			!same(standing[key], seen[key]) &&
			!same(standing[key], wanted[key])
	);
	if (clashes.length > 0) return refuse(clashes);
	const changed = keys.filter((key) => !same(wanted[key], seen[key]));
	const merged = { ...standing };
	for (const key of changed) merged[key] = wanted[key];
	return succeed(merged);
}
