import type { InterfaceMessages } from '../interface-messages';

/** The screens in the words of IEC standards and the British trade. */
export const screens = {
	'isolation-page.title': 'Isolation',
	'isolation-page.lead':
		'One step at a time, device by device. A step with a limit is complete when its reading is within it.',
	'isolation-page.task': 'Task',
	'isolation-page.own-procedure':
		'{by} works to a written procedure of their own. Zembo gives no steps here and has confirmed nothing.',
	'isolation-page.arrival': 'On arrival',
	'isolation-page.down': 'Isolation steps',
	'isolation-page.up': 'Return to service',
	'isolation-page.complete':
		'All steps of this task are complete. Parts that the drawing shows as live stay live.',
	'isolation-page.to-measurements': 'Go to measurements',
	'isolation-page.not-completed': 'Not completed',
	'isolation-page.and-more': 'and {count, number} more',

	'isolation-steps.progress': '{done, number} of {total, number}',
	'isolation-steps.show-return-to-service': 'Show return to service',
	'isolation-steps.show-completed':
		'{count, plural, one {Show the step completed before} other {Show the # steps completed before}}',
	'isolation-steps.show-some-completed':
		'Show {shown, number} of the {total, number} steps completed before',
	'isolation-steps.show-following':
		'{count, plural, one {Show the step that follows} other {Show the # steps that follow}}',
	'isolation-steps.show-some-following':
		'Show {shown, number} of the {total, number} steps that follow',
	'isolation-steps.undo': 'Undo step',
	'isolation-steps.beyond': '{value, number} {unit}: outside the limit.',
	'isolation-steps.save': 'Save reading',
	'isolation-steps.confirm': 'Confirm step',
	'isolation-state.later': 'later',
	'isolation-state.next': 'next',
	'isolation-state.waiting': 'waiting',
	'isolation-state.blocked': 'blocked',
	'isolation-state.not-proved': 'outside the limit',
	'isolation-state.done': 'complete',

	'live-view.title': 'What stays live now',
	'live-view.no-strings': 'No DC strings: each unit’s module side is live in daylight.',
	'live-view.modules': 'String side',
	'live-view.bus': 'Load side of fuses',
	'live-view.end': 'Load side of isolator',
	'live-view.foot':
		'Calculated voltages, in full sun unless test conditions are entered. Only a reading proves a part dead.',
	'live-state.live': 'live',
	'live-state.charged': 'may be charged',
	'live-state.open': 'not proved dead',
	'live-state.proved': 'proved dead',

	'isolation-gate.label': 'Isolation first',
	'isolation-gate.first': 'Complete the isolation steps first.',
	'isolation-gate.next': 'Next: {step}',
	'isolation-gate.go': 'Go to isolation',
	'isolation-gate.own-meaning':
		'Zembo then gives no isolation steps. The report states that {by} worked to their own written procedure and that Zembo confirmed none of it.',
	'isolation-gate.own-meaning-unnamed':
		'Zembo then gives no isolation steps. The report states that you worked to your own written procedure and that Zembo confirmed none of it.',
	'isolation-gate.own-confirm': 'Confirm own procedure',
	'isolation-gate.own': 'Use our own written procedure',

	'state-picker.inverter': 'Inverter',
	'state-picker.disconnect': 'DC isolator',
	'state-picker.fuse': 'String fuse',
	'state-picker.peers': 'Other strings',
	'state-picker.optimisers': 'Optimisers',
	'state-picker.transmitter': 'Shutdown transmitter',
	'state-picker.changed': 'changed',
	'state-option.on': 'running',
	'state-option.stopped': 'stopped',
	'state-option.closed': 'closed',
	'state-option.open': 'open',
	'state-option.in': 'in',
	'state-option.out': 'out',
	'state-option.none': 'none',
	'state-option.joined': 'in parallel',
	'state-option.isolated': 'isolated',
	'state-option.powered': 'powered',
	'state-option.off': 'off',
	'state-option.producing': 'producing',
	'state-option.standby': 'standby',

	'emergency-card.title': 'Emergency card',
	'emergency-card.map': 'Map',
	'emergency-card.print': 'Print card',
	'emergency-card.heading': 'PV array: emergency shutdown',
	'emergency-card.live':
		'Modules and their cables stay live in daylight, whatever is switched. Do not touch any module, cable or metal of a damaged array. Switched off is not proved dead.',
	'emergency-card.highest-voltage': 'Highest DC voltage, coldest day',
	'emergency-card.one-module': 'one module',
	'emergency-card.unknown': 'unknown',
	'emergency-card.rated-power': 'Rated power',
	'emergency-card.system': 'Type of system',
	'emergency-card.order': 'Switch off in this order',
	'emergency-card.none-recorded':
		'No isolator is recorded. Record each with its place; this card then lists them.',
	'emergency-card.revision': 'Revision {number, number, ::group-off} of the record.'
} as const satisfies Record<keyof InterfaceMessages, string>;
