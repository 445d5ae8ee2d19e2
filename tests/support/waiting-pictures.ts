import type { DecodedPicture } from '$lib/server/photographs/decode';
import type { Pictures } from '$lib/server/repositories/import';

/** Pictures in memory, as an import takes them. */
export function waiting(pictures: ReadonlyMap<string, DecodedPicture>): Pictures {
	return new Map(
		[...pictures].map(([id, { bytes, ...facts }]) => [
			id,
			{ ...facts, read: () => Promise.resolve(bytes) }
		])
	);
}
