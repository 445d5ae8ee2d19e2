import { millisOf } from '../units';
import type { PlaceResult } from '../assessment';
import type { SafetyEntry, Visit } from '../visit';
import type { ArrayRecord } from '../record';
import { arrivalSteps } from './arrival';
import { switchesAfter, type Switches } from './live';
import { progressOf, type Clock, type StepProgress } from './progress';
import type { Phase, Task } from './step';
import { switchingOff } from './switching-off';
import { switchingOn } from './switching-on';

/** Everything of making safe for one task at a moment: the way in, the way down and the way back. */
export interface Making {
	readonly arrival: readonly StepProgress[];
	readonly down: readonly StepProgress[];
	readonly up: readonly StepProgress[];
	/** Which way one is going. */
	readonly phase: Exclude<Phase, 'arrival'>;
	readonly switches: Switches;
}

/** Verdicts of the strings by key, without which nothing is closed again. */
export type Places = ReadonlyMap<string, PlaceResult>;

const lastOf = (entries: readonly SafetyEntry[]) =>
	entries.reduce((latest, { at }) => Math.max(latest, millisOf(at)), Number.NEGATIVE_INFINITY);

/**
 * The sequences of this array for a task, with how far each is. Going back on begins a new way down: what
 * was proved before holds no longer.
 *
 * @param now ms since 1970, asked only while a step waits
 */
export function makingSafe(
	record: ArrayRecord,
	{ meters, safety }: Pick<Visit, 'meters' | 'safety'>,
	places: Places,
	task: Task,
	now: Clock
): Making {
	const of = (phase: Phase) => safety.filter(({ step }) => step.startsWith(`${phase}/`));
	const [downs, ups] = [of('down'), of('up')];
	const [lastDown, lastUp] = [lastOf(downs), lastOf(ups)];
	const phase = lastUp > lastDown ? 'up' : 'down';
	const wayDown = phase === 'down' ? downs.filter(({ at }) => millisOf(at) > lastUp) : downs;
	const wayUp = ups.filter(({ at }) => millisOf(at) > lastDown);
	const down = progressOf(switchingOff(record, task), wayDown, now);
	const up = progressOf(switchingOn(record, places), wayUp, now);
	return {
		arrival: progressOf(arrivalSteps(record, meters), of('arrival'), now),
		down,
		up,
		phase,
		switches: switchesAfter(phase === 'up' ? [...down, ...up] : down)
	};
}
