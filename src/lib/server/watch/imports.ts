import type { ImportStart } from '$core/document/monitoring';
import { matchUnits } from '$core/production/match';
import { refuse, succeed, type Result } from '$core/units/result';
import { zoneOf } from '$lib/time/zone';
import type { Db } from '../database/open';
import { newestRevision } from '../repositories/sites';
import {
	beginImport,
	endImport,
	removeImport,
	unfinishedImports
} from '../repositories/watch-imports';
import { listUnits, setTargets } from '../repositories/watch-units';
import { RunningImport } from './running-import';

/** An import of which nothing comes any more is taken back after this time, ms. */
const PATIENCE = 10 * 60_000;

interface Running {
	readonly import: RunningImport;
	/** Pieces are taken one after the other. */
	turn: Promise<unknown>;
	timer: NodeJS.Timeout;
}
const running = new Map<string, Running>();

/** Where an import stands. */
export interface ImportStanding {
	readonly received: number;
	readonly samples: number;
	readonly done: boolean;
}

/** Begins to take an export in; false where somebody has begun it already. */
export async function startImport(
	db: Db,
	site: { readonly id: string; readonly timeZone: string },
	start: ImportStart,
	now: string
): Promise<boolean> {
	if (!(await beginImport(db, start.id, site.id, start.file, now))) return false;
	running.set(start.id, {
		import: new RunningImport(start.id, site.id, start, zoneOf(site.timeZone)),
		turn: Promise.resolve(),
		timer: setTimeout(() => void stopImport(db, start.id), PATIENCE).unref()
	});
	return true;
}

/**
 * Takes the next piece of a file. A piece that came already is answered as it was; after the last one
 * the import is there for everybody. Where the file cannot be read on, nothing of it stays.
 *
 * @param from byte of the file at which the piece begins
 */
export async function takePiece(
	db: Db,
	id: string,
	from: number,
	piece: Uint8Array,
	last: boolean
): Promise<Result<ImportStanding, string>> {
	const one = running.get(id);
	if (!one) {
		return refuse(
			'This import is not running: it was stopped, or the server began anew. Start it again.'
		);
	}
	one.timer.refresh();
	const turn = one.turn.then(() => takeInTurn(db, one.import, from, piece, last));
	one.turn = turn.catch(() => {});
	return turn;
}

async function takeInTurn(
	db: Db,
	one: RunningImport,
	from: number,
	piece: Uint8Array,
	last: boolean
): Promise<Result<ImportStanding, string>> {
	const standing = () => succeed({ received: one.received, samples: one.samples, done: false });
	if (from < one.received) return standing();
	if (from > one.received) return refuse('A piece of the file is missing. Start the import again.');
	const taken = await one.add(db, piece, last);
	if (!taken.ok) {
		await stopImport(db, one.id);
		return taken;
	}
	if (!last) return standing();
	if (one.samples === 0) {
		const [first] = one.report().report.why;
		await stopImport(db, one.id);
		return refuse(
			`Nothing could be read from it.${first ? ` Line ${first.line}: ${first.why}` : ' Look at the columns again.'}`
		);
	}
	await endImport(db, one.id, one.report());
	forget(one.id);
	await matchNewUnits(db, one.siteId);
	return succeed({ received: one.received, samples: one.samples, done: true });
}

/** Takes an import back whole, whether it still runs or not. */
export async function stopImport(db: Db, id: string): Promise<boolean> {
	forget(id);
	return removeImport(db, id);
}

function forget(id: string): void {
	clearTimeout(running.get(id)?.timer);
	running.delete(id);
}

/** Takes back what a server that ended left half done. */
export async function tidyImports(db: Db): Promise<void> {
	for (const id of await unfinishedImports(db)) await stopImport(db, id);
}

/** Matches the units that nobody has matched yet to the record, where their names say it. */
async function matchNewUnits(db: Db, siteId: string): Promise<void> {
	const revision = await newestRevision(db, siteId);
	if (!revision) return;
	const open = (await listUnits(db, siteId)).filter(({ target }) => target === null);
	const found = matchUnits(
		open.map(({ name }) => name),
		revision.record
	);
	await setTargets(db, siteId, found);
}
