import type { SafetyEntry } from '$core/visit';
import { currentSafetyEntries, makingSafe, OWN_PROCEDURE, type Task } from '$core/isolation';
import { judge } from '$core/diagnosis';
import { refuse, type Result, succeed } from '$core/units';
import type { Db } from '../database/open';
import { TAKEN } from './append';
import { appendSafety, findVisit } from './visits';
import { speakFor } from '$lib/messages/text';

/** The clock is the server's, and differs when an entry is sent again. */
const withoutClock = (entry: SafetyEntry) => JSON.stringify({ ...entry, at: null });

/**
 * Stores what was done or read at a step. The server's clock counts, since waits hang on it; a step
 * whose turn it is not, or whose time has not passed, is refused, whatever the screen let through.
 *
 * @param now ms since 1970
 * @returns the entry as stored; words where it is refused, null where there is no such visit
 */
export async function settleStep(
	db: Db,
	visitId: string,
	task: Task,
	entry: SafetyEntry,
	now: number
): Promise<Result<SafetyEntry, string | null>> {
	return db.transaction().execute(async (trx): Promise<Result<SafetyEntry, string | null>> => {
		const document = await findVisit(trx, visitId);
		if (!document) return refuse(null);
		const { record, visit } = document;
		const repeated = visit.safety.find(({ id }) => id === entry.id);
		if (repeated) {
			const same = withoutClock(repeated) === withoutClock(entry);
			return same ? succeed(repeated) : refuse(TAKEN);
		}
		const standing = currentSafetyEntries(visit.safety).get(entry.step) ?? null;
		if ((standing?.id ?? null) !== entry.supersedes) {
			return refuse('Somebody else changed this step meanwhile. Look again.');
		}
		const problem = entry.withdrawn || entry.step === OWN_PROCEDURE ? null : outOfTurn();
		if (problem) return refuse(problem);
		const stored = { ...entry, at: new Date(now).toISOString() };
		const appended = await appendSafety(trx, visitId, stored);
		return appended.ok ? succeed(stored) : appended;

		function outOfTurn(): string | null {
			const places = new Map(judge(record, visit).places.map((place) => [place.key, place]));
			const { arrival, down, up } = makingSafe(record, visit, places, task, () => now);
			const found = [...arrival, ...down, ...up].find(({ step }) => step.key === entry.step);
			if (!found) return 'This array has no such step. Load the page again.';
			const { step, state, remaining } = found;
			if (state === 'blocked') return step.blocked.map(speakFor(record.rules)).join(' ');
			if (state === 'later') return 'Complete the steps before this one first.';
			if (state === 'waiting') return `${remaining} s must still pass.`;
			return step.proof && entry.value === null
				? 'This step is proved by a reading, not by a tick.'
				: null;
		}
	});
}
