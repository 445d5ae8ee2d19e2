import type { Part } from '../record';
import type { Caution } from './cautions';

/** What a step reads to prove itself, and within which limit. */
export interface Proof {
	/** What is read, where, in words: "Clamp round A1". */
	readonly words: string;
	readonly unit: 'V' | 'A' | 'W';
	readonly limit: { readonly most?: number; readonly least?: number };
	/** Clause, or that it is practice or judgement. */
	readonly source: string;
	/** What a figure beyond the limit means, and what to do. */
	readonly beyond: string;
}

/** Time that must pass before a step may be proved. */
export interface Wait {
	readonly seconds: number;
	readonly words: string;
	readonly source: string;
}

/** What a step changes in the circuit. */
export type Effect =
	| { readonly kind: 'inverter-stopped'; readonly part: string }
	| { readonly kind: 'ac-off'; readonly part: string }
	| { readonly kind: 'disconnect-open'; readonly part: string }
	| { readonly kind: 'disconnect-closed'; readonly part: string }
	| { readonly kind: 'initiator-off' }
	| { readonly kind: 'initiator-on' }
	| { readonly kind: 'fuses-out' }
	| { readonly kind: 'fuses-in' }
	| { readonly kind: 'ac-on'; readonly part: string }
	| { readonly kind: 'proved-dead'; readonly part: string }
	| { readonly kind: 'battery-off'; readonly part: string }
	| { readonly kind: 'battery-on'; readonly part: string };

export type Phase = 'arrival' | 'down' | 'up';

/** One step of making safe or of going back on, by the name of its device. */
export interface SafetyStep {
	/** Stays the same as long as the record names the same parts. */
	readonly key: string;
	readonly phase: Phase;
	/** "Switch AC disconnect Q10 OFF. Fit lock and tag." */
	readonly title: string;
	/** Where a stranger finds the device; empty where it is none. */
	readonly where: string;
	readonly part: Part | null;
	/** A reading that proves it; null where doing it is all there is. */
	readonly proof: Proof | null;
	readonly wait: Wait | null;
	readonly effect: Effect | null;
	readonly cautions: readonly Caution[];
	/** Why the step must not be taken now, in words; null where nothing forbids it. */
	readonly blocked: string | null;
	/** Key of the one step that this and others once were together: what was entered there counts for each. */
	readonly earlierKey: string | null;
}

/** What one comes to do: it decides how far down the sequence goes. */
export const TASKS = ['closed-covers', 'open-live', 'dead'] as const;
export type Task = (typeof TASKS)[number];

export const TASK_WORDS: Readonly<Record<Task, string>> = {
	'closed-covers': 'Inspect and clamp, covers closed',
	'open-live': 'Measure live, cover open',
	dead: 'Work on dead parts'
};

/** Whether a figure proves a step. */
export function isWithin({ limit: { most, least } }: Proof, value: number): boolean {
	return (most === undefined || Math.abs(value) <= most) && (least === undefined || value >= least);
}

/** "at most 0.2 A". */
export function limitWords({ limit: { most, least }, unit }: Proof): string {
	return [
		...(least === undefined ? [] : [`at least ${least} ${unit}`]),
		...(most === undefined ? [] : [`at most ${most} ${unit}`])
	].join(', ');
}
