import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { readVisitData } from '$core/document';
import { openDatabase } from '$lib/server/database/open';
import { importVisit } from '$lib/server/repositories/import';
import { createBatch } from '$lib/server/repositories/batches';
import { insertPhotograph } from '$lib/server/repositories/photographs';
import { loadKilnLaneExport } from './load-export';
import { cairnRiggBatch, BATCH_ID } from './module-batch';

/** The demo's visits as open documents, in the order of their names. */
const documents = import.meta.glob('./*.zembo-visit.json', { eager: true, import: 'default' });
/** Size of the drawn photographs, px. */
const PICTURE = { width: 960, height: 720 };

const path = process.env.ZEMBO_DATABASE ?? 'data/demo.db';
const db = await openDatabase(path);
const now = new Date().toISOString();
for (const [file, data] of Object.entries(documents)) {
	const document = readVisitData(data);
	if (!document.ok)
		throw new Error(`${file}: ${document.problem.what} at ${document.problem.where}`);
	const { visit, inspection } = document.value;
	const here = await db
		.selectFrom('visit')
		.select('id')
		.where('id', '=', visit.id)
		.executeTakeFirst();
	// A second start keeps what people entered in the demo's visits.
	if (here) continue;
	const imported = await importVisit(db, document.value, now);
	if (!imported.ok) throw new Error(`${file}: ${imported.problem.what}`);
	for (const { at, photographs } of inspection) {
		for (const id of photographs) {
			const bytes = readFileSync(join('demo/photographs', `${id}.jpg`));
			await insertPhotograph(db, {
				id,
				visitId: visit.id,
				takenAt: at,
				addedAt: now,
				type: 'image/jpeg',
				...PICTURE,
				bytes
			});
		}
	}
}
await createBatch(db, BATCH_ID, cairnRiggBatch(), now);
await loadKilnLaneExport(db, now, join(dirname(path), 'kiln-lane-2026.csv'));
await db.destroy();
