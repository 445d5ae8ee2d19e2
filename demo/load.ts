import { readVisitData } from '$core/document/file';
import { openDatabase } from '$lib/server/database/open';
import { importVisit } from '$lib/server/repositories/import';

/** The demo's visits as open documents, in the order of their names. */
const documents = import.meta.glob('./*.zembo-visit.json', { eager: true, import: 'default' });

const db = await openDatabase(process.env.ZEMBO_DATABASE ?? 'data/demo.db');
const now = new Date().toISOString();
for (const [file, data] of Object.entries(documents)) {
	const document = readVisitData(data);
	if (!document.ok)
		throw new Error(`${file}: ${document.problem.what} at ${document.problem.where}`);
	const visit = await db
		.selectFrom('visit')
		.select('id')
		.where('id', '=', document.value.visit.id)
		.executeTakeFirst();
	// A second start keeps what people entered in the demo's visits.
	if (visit) continue;
	const imported = await importVisit(db, document.value, now);
	if (!imported.ok) throw new Error(`${file}: ${imported.problem.what}`);
}
await db.destroy();
