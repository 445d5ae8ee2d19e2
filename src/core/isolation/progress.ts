import { millisOf } from '../units';
import type { SafetyEntry } from '../visit';
import { isWithin, type SafetyStep } from './step';

/** How a step stands. */
type StepState =
	/** Earlier steps come first. */
	| 'later'
	/** It is next. */
	| 'next'
	/** Time must pass first. */
	| 'waiting'
	/** Something forbids it. */
	| 'blocked'
	/** Its reading does not prove it. */
	| 'not-proved'
	| 'done';

/** Tells the moment, ms since 1970. */
export type Clock = () => number;

export interface StepProgress {
	readonly step: SafetyStep;
	readonly state: StepState;
	readonly entry: SafetyEntry | null;
	/** Seconds that must still pass; 0 where none. */
	readonly remaining: number;
}

/** Entries that stand, by step: the newest that was neither superseded nor withdrawn. */
export function currentSafetyEntries(
	entries: readonly SafetyEntry[]
): ReadonlyMap<string, SafetyEntry> {
	const superseded = new Set(entries.map(({ supersedes }) => supersedes));
	const standing = entries.filter(({ id, withdrawn }) => !withdrawn && !superseded.has(id));
	return new Map(standing.map((entry) => [entry.step, entry]));
}

/** Whether what was entered settles a step: done where nothing is read, proved where something is. */
function isSettled({ proof }: SafetyStep, entry: SafetyEntry | undefined): boolean {
	if (!entry) return false;
	return proof === null || (entry.value !== null && isWithin(proof, entry.value));
}

/**
 * How far a sequence is, at a moment. A step is open only when every step before it is settled, and
 * where time must pass it counts from the step before. A clock that was set back restarts the wait: it
 * never shortens it.
 *
 * @param now ms since 1970; asked only while a step waits, so that nothing need follow the clock otherwise
 */
export function progressOf(
	steps: readonly SafetyStep[],
	entries: readonly SafetyEntry[],
	now: Clock
): StepProgress[] {
	const standing = currentSafetyEntries(entries);
	const entered = new Set(entries.map(({ step }) => step));
	const earlierEntry = ({ key, earlierKey }: SafetyStep) =>
		earlierKey === null || entered.has(key) ? undefined : standing.get(earlierKey);
	let open = true;
	let before = 0;
	return steps.map((one): StepProgress => {
		const entry = standing.get(one.key) ?? earlierEntry(one) ?? null;
		if (!open) return { step: one, state: 'later', entry, remaining: 0 };
		const settled =
			isSettled(one, entry ?? undefined) && one.blocked.length === 0 && waited(one, before, entry!);
		if (settled) {
			before = millisOf(entry!.at);
			return { step: one, state: 'done', entry, remaining: 0 };
		}
		open = false;
		if (one.blocked.length > 0) return { step: one, state: 'blocked', entry, remaining: 0 };
		const remaining = remainingSeconds(one, before, now);
		if (remaining > 0) return { step: one, state: 'waiting', entry, remaining };
		return { step: one, state: entry ? 'not-proved' : 'next', entry, remaining: 0 };
	});
}

/**
 * Whether an entry was made after the step before it, and after the time that must pass: a proof taken
 * too early proves nothing, and one from before a step was done anew no longer holds.
 */
function waited({ wait }: SafetyStep, since: number, { at }: SafetyEntry): boolean {
	return millisOf(at) - since >= (wait?.seconds ?? 0) * 1000;
}

function remainingSeconds({ wait }: SafetyStep, since: number, now: Clock): number {
	if (!wait) return 0;
	const passed = Math.max(0, (now() - since) / 1000);
	return Math.max(0, Math.ceil(wait.seconds - passed));
}

/** Steps with a reading that are not complete. */
export function incompleteSteps(progress: readonly StepProgress[]): SafetyStep[] {
	return progress
		.filter(({ state, step }) => state !== 'done' && step.proof !== null)
		.map(({ step }) => step);
}
