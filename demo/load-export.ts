import { writeFileSync } from 'node:fs';
import { type BenchmarkEntry, NO_SETTINGS } from '$core/document';
import { guessLayout } from '$core/monitoring';
import type { Db } from '$lib/server/database/open';
import { findSite } from '$lib/server/repositories/sites';
import {
	addBenchmarkEntry,
	saveMonitoringSettings
} from '$lib/server/repositories/monitoring-settings';
import { startImport, takePiece } from '$lib/server/monitoring/imports';
import { PieceReader } from '$lib/server/monitoring/piece-reader';
import { kilnLaneExport, KILN_PLACE } from './kiln-lane-export';
import { idsOf } from './site';

const id = idsOf(3);
const KILN_IMPORT = id(0x8001);
const PIECE = 256 * 1024;

/** DC watts of the array on its solstices and equinoxes, W/m2 and degC, as Tamsin Orrell read them. */
const KILN_BENCHMARKS: readonly BenchmarkEntry[] = (
	[
		['2022-06-21', 7720, 962, 47],
		['2022-09-23', 6930, 848, 41],
		['2023-06-21', 7480, 948, 51],
		['2023-09-23', 6640, 822, 42],
		['2024-06-20', 7610, 957, 46],
		['2024-09-22', 6390, 801, 44],
		['2025-06-21', 7390, 944, 50],
		['2025-09-22', 6510, 815, 42]
	] as const
).map(([date, power, irradiance, cellTemperature], i) => ({
	id: id(0x8100 + i),
	date,
	target: { kind: 'array' },
	watts: power,
	side: 'dc',
	irradiance,
	cellTemperature,
	instrument: 'Reference cell 1',
	by: 'Tamsin Orrell'
}));

/**
 * Takes the ticket office's export in, the way the screen does; once.
 *
 * @param file where it is left too, to be taken in by hand somewhere else
 */
export async function loadKilnLaneExport(db: Db, now: string, file: string): Promise<void> {
	const here = await db
		.selectFrom('watch_import')
		.select('id')
		.where('id', '=', KILN_IMPORT)
		.executeTakeFirst();
	const site = await findSite(db, id(2));
	if (here || !site) return;
	const text = kilnLaneExport();
	writeFileSync(file, text);
	const bytes = new TextEncoder().encode(text);
	const head = new PieceReader(';').read(bytes.slice(0, PIECE), false);
	if (typeof head === 'string') throw new Error(head);
	const guess = guessLayout(head.slice(0, 300), ';');
	if (!guess.ok) throw new Error(guess.problem);
	const { layout, headings } = guess.value;
	const start = {
		id: KILN_IMPORT,
		file: 'kiln-lane-2026.csv',
		delimiter: ';',
		layout,
		headings: [...headings]
	};
	// Another program that loads the same demo at the same time does it.
	if (!(await startImport(db, site, start, now))) return;
	for (let from = 0; from < bytes.length; from += PIECE) {
		const piece = bytes.slice(from, from + PIECE);
		const taken = await takePiece(db, KILN_IMPORT, from, piece, from + PIECE >= bytes.length);
		if (!taken.ok) throw new Error(taken.problem);
	}
	for (const entry of KILN_BENCHMARKS) await addBenchmarkEntry(db, site.id, entry);
	await saveMonitoringSettings(db, site.id, {
		...NO_SETTINGS,
		...KILN_PLACE,
		price: 0.24,
		currency: 'crowns'
	});
}
