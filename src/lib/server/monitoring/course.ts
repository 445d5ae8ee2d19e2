import { type Samples, unitKey } from '$core/monitoring';
import type { DbOrTransaction } from '../database/open';
import { countSamples, readDays, readSamples, seriesOf } from '../repositories/monitoring-samples';
import { unitTargets } from '../repositories/monitoring-units';

/** Samples that are read for one picture; beyond, the means of days stand for them. */
const MOST_READ = 250_000;
/** Days for each point of a line from which the means of days are a picture as fine as any. */
const DAYS_PER_POINT = 0.4;
/** ms */
const DAY = 86_400_000;

/** One unit's line of a picture: the mean of each stretch of time. */
export interface CourseLine {
	readonly key: string;
	/** ms since 1970-01-01 UTC */
	readonly at: number[];
	readonly mean: number[];
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
	const byDay =
		(to - from) / DAY > DAYS_PER_POINT * points ||
		(await countSamples(db, all, from, to)) > MOST_READ;
	const lines: CourseLine[] = [];
	for (const { key, series } of asked) {
		const line: CourseLine = { key, at: [], mean: [] };
		for (const id of series) {
			const samples = await (byDay ? readDays : readSamples)(db, id, from, to);
			append(line, thinned(samples, points));
		}
		lines.push(line);
	}
	return lines;
}

function append(line: CourseLine, more: Omit<CourseLine, 'key'>): void {
	for (let i = 0; i < more.at.length; i++) {
		line.at.push(more.at[i]!);
		line.mean.push(drawn(more.mean[i]!));
	}
}

/** More digits than can be drawn are not sent. */
function drawn(figure: number): number {
	return Number(figure.toPrecision(5));
}

/** Every so many neighbouring samples as one point. */
function thinned({ at, value }: Samples, points: number): Omit<CourseLine, 'key'> {
	const every = Math.max(1, Math.ceil(at.length / points));
	const line = { at: [] as number[], mean: [] as number[] };
	for (let i = 0; i < at.length; i += every) {
		const end = Math.min(i + every, at.length);
		let sum = 0;
		for (let j = i; j < end; j++) sum += value[j]!;
		line.at.push(at[(i + end - 1) >> 1]!);
		line.mean.push(sum / (end - i));
	}
	return line;
}
