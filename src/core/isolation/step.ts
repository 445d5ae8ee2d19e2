import type { Part } from '../record';
import type { Caution } from './cautions';
import { type IsolationMessage, say } from './messages';

/** What a step reads to prove itself, and within which limit. */
export interface Proof {
	/** What is read, and where. */
	readonly what: IsolationMessage;
	readonly unit: 'V' | 'A' | 'W';
	readonly limit: { readonly most?: number; readonly least?: number };
	/** Clause, or that it is practice or a default. */
	readonly source: IsolationMessage;
	/** What a figure beyond the limit means, and what to do. */
	readonly beyond: IsolationMessage;
}

/** Time that must pass before a step may be proved. */
export interface Wait {
	readonly seconds: number;
	readonly why: IsolationMessage;
	readonly source: IsolationMessage;
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
	/** The instruction. */
	readonly title: IsolationMessage;
	/** Where a stranger finds the device; null where it is none. */
	readonly where: IsolationMessage | null;
	readonly part: Part | null;
	/** A reading that proves it; null where doing it is all there is. */
	readonly proof: Proof | null;
	readonly wait: Wait | null;
	readonly effect: Effect | null;
	readonly cautions: readonly Caution[];
	/** Why the step must not be taken now; empty where nothing forbids it. */
	readonly blocked: readonly IsolationMessage[];
	/** Key of the one step that this and others once were together: what was entered there counts for each. */
	readonly earlierKey: string | null;
}

/** What a person comes to do: it decides how far down the sequence goes. */
export const TASKS = ['closed-covers', 'open-live', 'dead'] as const;
export type Task = (typeof TASKS)[number];

export const taskName = (task: Task): IsolationMessage => say(`isolation.task.${task}`);

/** Where a device is, as recorded. */
export const placeOf = ({ place }: Part): IsolationMessage =>
	place ? say('isolation.where.place', { place }) : say('isolation.where.not-recorded');

/** Whether a figure proves a step. */
export function isWithin({ limit: { most, least } }: Proof, value: number): boolean {
	return (most === undefined || Math.abs(value) <= most) && (least === undefined || value >= least);
}

/** What a proof requires, each limit by itself. */
export function limitsOf({ limit: { most, least }, unit }: Proof): IsolationMessage[] {
	return [
		...(least === undefined ? [] : [say('isolation.limit.least', { limit: least, unit })]),
		...(most === undefined ? [] : [say('isolation.limit.most', { limit: most, unit })])
	];
}
