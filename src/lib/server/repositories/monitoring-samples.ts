import type { Samples } from '$core/monitoring';
import type { DbOrTransaction } from '../database/open';

/** ms */
const DAY = 86_400_000;

/** Ids of the series of a site, by unit and quantity. */
export async function seriesOf(
	db: DbOrTransaction,
	siteId: string
): Promise<{ id: number; unit: number; quantity: string }[]> {
	return db
		.selectFrom('watch_series as series')
		.innerJoin('watch_unit as unit', 'unit.id', 'series.unit_id')
		.select(['series.id', 'series.unit_id as unit', 'series.quantity'])
		.where('unit.site_id', '=', siteId)
		.execute();
}

/**
 * Samples of one series between two instants (ms since 1970-01-01 UTC, the later left out), in the
 * order of time. Where imports overlap, the later import stands.
 */
export async function readSamples(
	db: DbOrTransaction,
	series: number,
	from: number,
	to: number
): Promise<Samples> {
	const rows = await db
		.selectFrom('watch_block as block')
		.innerJoin('watch_import as import', 'import.id', 'block.import_id')
		.select(['block.day', 'block.seconds', 'block.figures', 'import.added_at'])
		.where('block.series_id', '=', series)
		.where('block.day', '>=', Math.floor(from / DAY))
		.where('block.day', '<=', Math.floor((to - 1) / DAY))
		.where('import.state', '=', 'done')
		.orderBy('block.day')
		.orderBy('import.added_at')
		.orderBy('block.id')
		.execute();
	let most = 0;
	for (const { seconds } of rows) most += seconds.length / 4;
	const at = new Float64Array(most);
	const value = new Float64Array(most);
	let count = 0;
	for (let r = 0; r < rows.length;) {
		let end = r + 1;
		while (end < rows.length && rows[end]!.day === rows[r]!.day) end++;
		const day = end - r === 1 ? decoded(rows[r]!) : merged(rows.slice(r, end));
		const midnight = rows[r]!.day * DAY;
		for (let i = 0; i < day.seconds.length; i++) {
			const instant = midnight + day.seconds[i]! * 1000;
			if (instant < from || instant >= to) continue;
			at[count] = instant;
			value[count++] = day.figures[i]!;
		}
		r = end;
	}
	return { at: at.subarray(0, count), value: value.subarray(0, count) };
}

interface StoredBlock {
	readonly seconds: Buffer;
	readonly figures: Buffer;
}

/** A copy: what the driver hands out need not begin at a multiple of eight. */
function decoded({ seconds, figures }: StoredBlock) {
	return {
		seconds: new Int32Array(new Uint8Array(seconds).buffer),
		figures: new Float64Array(new Uint8Array(figures).buffer)
	};
}

function merged(blocks: readonly StoredBlock[]) {
	const last = new Map<number, number>();
	for (const block of blocks) {
		const { seconds, figures } = decoded(block);
		seconds.forEach((second, i) => last.set(second, figures[i]!));
	}
	const seconds = Int32Array.from(last.keys()).sort();
	return { seconds, figures: Float64Array.from(seconds, (second) => last.get(second)!) };
}

/**
 * Mean of each day between two instants, at its beginning. Imports that are still running are left out by their few
 * ids: to look up the import of every day would take longer than to read the days.
 */
export async function readDays(
	db: DbOrTransaction,
	series: number,
	from: number,
	to: number
): Promise<Samples> {
	const running = await db
		.selectFrom('watch_import')
		.select('id')
		.where('state', '!=', 'done')
		.execute();
	const rows = await db
		.selectFrom('watch_day')
		.select((eb) => [
			'day',
			eb.fn.sum<number>('sum').as('sum'),
			eb.fn.sum<number>('count').as('count')
		])
		.where('series_id', '=', series)
		.where('day', '>=', Math.floor(from / DAY))
		.where('day', '<=', Math.floor((to - 1) / DAY))
		.$if(running.length > 0, (query) =>
			query.where(
				'import_id',
				'not in',
				running.map(({ id }) => id)
			)
		)
		.groupBy('day')
		.orderBy('day')
		.execute();
	return {
		at: Float64Array.from(rows, ({ day }) => day * DAY),
		value: Float64Array.from(rows, ({ sum, count }) => sum / count)
	};
}

/** How many samples some series have between two instants, about: whole days are counted. */
export async function countSamples(
	db: DbOrTransaction,
	series: readonly number[],
	from: number,
	to: number
): Promise<number> {
	if (series.length === 0) return 0;
	const { count } = await db
		.selectFrom('watch_day')
		.select((eb) => eb.fn.sum<number>('count').as('count'))
		.where('series_id', 'in', series)
		.where('day', '>=', Math.floor(from / DAY))
		.where('day', '<=', Math.floor((to - 1) / DAY))
		.executeTakeFirstOrThrow();
	return count ?? 0;
}
