import type { DbOrTransaction } from '../database/open';
import { countSamples, readDays, readSamples, seriesOf } from '../repositories/watch-samples';
import { unitTargets } from '../repositories/watch-units';
import { unitKey } from '$core/production/series/build';

/** Samples that are read for one picture; beyond, the summaries of days stand for them. */
const MOST_READ = 900_000;

/** One unit's line of a picture: mean of each stretch of time, and the least and most in it. */
export interface CourseLine {
	readonly key: string;
	/** ms since 1970-01-01 UTC */
	readonly at: number[];
	readonly mean: number[];
	readonly least: number[];
	readonly most: number[];
}

/**
 * What a picture of some units' quantity needs between two instants: at most so many points each.
 *
 * @param points of each line
 */
export async function courseOf(
	db: DbOrTransaction,
	siteId: string,
	keys: readonly string[],
	quantity: string,
	from: number,
	to: number,
	points: number
): Promise<CourseLine[]> {
	const units = await unitTargets(db, siteId);
	const ids = await seriesOf(db, siteId);
	const asked = keys.flatMap((key) => {
		const names = units.filter(({ name, target }) => unitKey(name, target) === key);
		const series = names.flatMap(({ id }) =>
			ids.filter((one) => one.unit === id && one.quantity === quantity).map((one) => one.id)
		);
		return series.length > 0 ? [{ key, series }] : [];
	});
	const all = asked.flatMap(({ series }) => series);
	const byDay = (await countSamples(db, all, from, to)) > MOST_READ;
	const lines: CourseLine[] = [];
	for (const { key, series } of asked) {
		const line: CourseLine = { key, at: [], mean: [], least: [], most: [] };
		for (const id of series) {
			if (byDay) append(line, await readDays(db, id, from, to));
			else {
				const { at, value } = await readSamples(db, id, from, to);
				append(line, thinned(at, value, points));
			}
		}
		lines.push(line);
	}
	return lines;
}

function append(line: CourseLine, more: Omit<CourseLine, 'key'>): void {
	for (let i = 0; i < more.at.length; i++) {
		line.at.push(more.at[i]!);
		line.mean.push(more.mean[i]!);
		line.least.push(more.least[i]!);
		line.most.push(more.most[i]!);
	}
}

/** Every so many neighbouring samples as one point. */
function thinned(at: Float64Array, value: Float64Array, points: number): Omit<CourseLine, 'key'> {
	const every = Math.max(1, Math.ceil(at.length / points));
	const line = { at: [], mean: [], least: [], most: [] } as Record<
		'at' | 'mean' | 'least' | 'most',
		number[]
	>;
	for (let i = 0; i < at.length; i += every) {
		const end = Math.min(i + every, at.length);
		let [sum, least, most] = [0, Infinity, -Infinity];
		for (let j = i; j < end; j++) {
			sum += value[j]!;
			least = Math.min(least, value[j]!);
			most = Math.max(most, value[j]!);
		}
		line.at.push(at[(i + end - 1) >> 1]!);
		line.mean.push(sum / (end - i));
		line.least.push(least);
		line.most.push(most);
	}
	return line;
}
