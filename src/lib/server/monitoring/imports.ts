import type { ImportStart } from '$core/document';
import { matchUnits } from '$core/monitoring';
import { refuse, type Result, succeed } from '$core/units';
import { zoneOf } from '$lib/time/zone';
import type { Db } from '../database/open';
import { newestRevision } from '../repositories/sites';
import {
	beginImport,
	endImport,
	removeImport,
	samplesOfEnded,
	unfinishedImports
} from '../repositories/monitoring-imports';
import { listUnits, setTargets } from '../repositories/monitoring-units';
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
 * Takes the next piece of a file. The same piece may come again, whether it was stored or storing it failed, also the
 * last one of an import that is over: nothing is stored twice and nothing is lost. Where the file cannot be read on,
 * nothing of it stays.
 *
 * @param from byte of the file at which the piece begins
 * @throws where storing fails; the same piece may then be sent again
 */
export async function takePiece(
	db: Db,
	id: string,
	from: number,
	piece: Uint8Array,
	last: boolean
): Promise<Result<ImportStanding, string>> {
	const one = running.get(id);
	if (!one) return standingOfEnded(db, id, from + piece.length);
	one.timer.refresh();
	const turn = one.turn.then(() => takeInTurn(db, one.import, from, piece, last));
	one.turn = turn.catch(() => {});
	return turn;
}

async function standingOfEnded(
	db: Db,
	id: string,
	received: number
): Promise<Result<ImportStanding, string>> {
	const samples = await samplesOfEnded(db, id);
	if (samples !== null) return succeed({ received, samples, done: true });
	return refuse(
		'This import is not running: it was stopped, or the server began anew. Start it again.'
	);
}

async function takeInTurn(
	db: Db,
	one: RunningImport,
	from: number,
	piece: Uint8Array,
	last: boolean
): Promise<Result<ImportStanding, string>> {
	// It may have ended while this piece waited for its turn.
	if (!running.has(one.id)) return standingOfEnded(db, one.id, from + piece.length);
	const standing = () => succeed({ received: one.received, samples: one.samples, done: false });
	if (from > one.received) return refuse('A piece of the file is missing. Start the import again.');
	if (from === one.received) {
		const read = one.read(piece, last);
		if (!read.ok) {
			await stopImport(db, one.id);
			return read;
		}
	}
	const ends = last && from + piece.length === one.received;
	await one.store(db, ends);
	if (!ends) return standing();
	if (one.samples === 0) {
		const [first] = one.report().report.why;
		await stopImport(db, one.id);
		return refuse(
			`Nothing could be read from it.${first ? ` Line ${first.line}: ${first.why}` : ' Look at the columns again.'}`
		);
	}
	await endImport(db, one.id, one.report());
	await matchNewUnits(db, one.siteId);
	forget(one.id);
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
