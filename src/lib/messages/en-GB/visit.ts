import type { VisitMessages } from '$core/visit';

/** How readings are taken, in the words of IEC standards and the British trade. */
export const visit = {
	'state.inverter-running': 'inverter running',
	'state.inverter-stopped': 'inverter stopped',
	'state.disconnect-closed': 'DC isolator closed',
	'state.disconnect-open': 'DC isolator open',
	'state.fuse-in': 'fuse in',
	'state.fuse-out': 'fuse out',
	'state.parallel': 'in parallel with other strings',
	'state.isolated': 'string isolated',
	'state.transmitter-powered': 'transmitter powered',
	'state.transmitter-off': 'transmitter off',
	'state.optimisers-producing': 'optimisers producing',
	'state.optimisers-standby': 'optimisers in standby',
	'state.shorted': 'leads shorted',
	'state.covered': 'substring covered'
} as const satisfies Record<keyof VisitMessages, string>;
