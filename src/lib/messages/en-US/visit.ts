import type { VisitMessages } from '$core/visit';

/** What the American trade says in other words. */
export const visit = {
	'state.disconnect-closed': 'DC disconnect closed',
	'state.disconnect-open': 'DC disconnect open',
	'state.optimisers-producing': 'optimizers producing',
	'state.optimisers-standby': 'optimizers in standby'
} as const satisfies Partial<Record<keyof VisitMessages, string>>;
