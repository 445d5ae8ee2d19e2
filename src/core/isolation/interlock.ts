import {
	type EffectiveVisit,
	isRunning,
	type Quantity,
	type Reading,
	type SafetyEntry
} from '../visit';
import type { ArrayRecord } from '../record';
import { currentSafetyEntries, type Clock, type StepProgress } from './progress';
import { makingSafe, type Making, type Places } from './sequence';
import type { Task } from './step';

/**
 * Key of the entry by which somebody says that the readings are taken, or were, under a written
 * procedure of their own: Zembo then leads nobody, and the report says so.
 */
export const OWN_PROCEDURE = 'own-procedure';

/** Quantities that are read on dead parts. */
const ON_DEAD_PARTS: readonly Quantity[] = [
	'pole-resistance',
	'insulation-resistance',
	'section-voltage',
	'diode-forward',
	'diode-reverse',
	'stretch-voltage',
	'joint-resistance',
	'device-output',
	'blocking-diode-forward',
	'blocking-diode-reverse'
];
/** What is looked at, or measured from outside. */
const FROM_OUTSIDE: readonly Quantity[] = [
	'ac-power',
	'lamp',
	'residual-current',
	'module-count',
	'shade-seen',
	'label-power',
	'joint-rise',
	'cleaning-gain',
	'cover-current'
];

/** How far down the sequence a reading needs the array to be. */
function taskOf({ place, quantity, state }: Pick<Reading, 'place' | 'quantity' | 'state'>): Task {
	if (FROM_OUTSIDE.includes(quantity)) return 'closed-covers';
	// At one module: its connectors are parted to get at it.
	if (ON_DEAD_PARTS.includes(quantity) || place.kind === 'module') return 'dead';
	if (state && isRunning(state) && quantity !== 'ac-voltage') return 'closed-covers';
	return 'open-live';
}

/** Whether a reading may be entered: what stands before it, or nothing. */
export type Gate =
	| { readonly open: true; readonly by: 'steps' | 'own-procedure' }
	| { readonly open: false; readonly next: StepProgress; readonly task: Task };

/** Whether the steps of a task are settled, or somebody answers for a procedure of their own. */
function gateOf(making: Making, safety: readonly SafetyEntry[], task: Task): Gate {
	if (currentSafetyEntries(safety).has(OWN_PROCEDURE)) return { open: true, by: 'own-procedure' };
	const steps = task === 'closed-covers' ? making.arrival : [...making.arrival, ...making.down];
	const next = steps.find(({ state }) => state !== 'done');
	if (next) return { open: false, next, task };
	const [first] = making.down;
	return making.phase === 'up' && task !== 'closed-covers' && first
		? { open: false, next: first, task }
		: { open: true, by: 'steps' };
}

/** The gate of one reading, at a moment (ms since 1970). */
export function gateOfReading(
	record: ArrayRecord,
	visit: EffectiveVisit,
	places: Places,
	reading: Pick<Reading, 'place' | 'quantity' | 'state'>,
	now: Clock
): Gate {
	const task = taskOf(reading);
	return gateOf(makingSafe(record, visit, places, task, now), visit.safety, task);
}
