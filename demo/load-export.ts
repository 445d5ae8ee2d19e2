import { NO_SETTINGS } from '$core/document/monitoring';
import { guessLayout } from '$core/production/import/guess';
import type { Db } from '$lib/server/database/open';
import { findSite } from '$lib/server/repositories/sites';
import { saveWatchSettings } from '$lib/server/repositories/watch-settings';
import { startImport, takePiece } from '$lib/server/watch/imports';
import { PieceReader } from '$lib/server/watch/piece-reader';
import { kilnLaneExport, KILN_PLACE } from './kiln-lane-export';
import { idsOf } from './site';

const id = idsOf(3);
export const KILN_IMPORT = id(0x8001);
const PIECE = 512 * 1024;

/** Takes the ticket office's export in, the way the screen does; once. */
export async function loadKilnLaneExport(db: Db, now: string): Promise<void> {
	const here = await db
		.selectFrom('watch_import')
		.select('id')
		.where('id', '=', KILN_IMPORT)
		.executeTakeFirst();
	const site = await findSite(db, id(2));
	if (here || !site) return;
	const bytes = new TextEncoder().encode(kilnLaneExport());
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
	await startImport(db, site, start, now);
	for (let from = 0; from < bytes.length; from += PIECE) {
		const piece = bytes.slice(from, from + PIECE);
		const taken = await takePiece(db, KILN_IMPORT, from, piece, from + PIECE >= bytes.length);
		if (!taken.ok) throw new Error(taken.problem);
	}
	await saveWatchSettings(db, site.id, {
		...NO_SETTINGS,
		...KILN_PLACE,
		price: 0.24,
		currency: 'crowns'
	});
}
