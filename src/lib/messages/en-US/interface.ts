import type { InterfaceMessages } from '../interface-messages';

/** What the screens say in other words for the American trade. */
export const screens = {
	'live-view.end': 'Load side of disconnect',
	'live-view.foot':
		'Calculated voltages, in full sun unless test conditions are entered. Only a reading verifies that a part is de-energized.',
	'live-state.open': 'not verified de-energized',
	'live-state.proved': 'verified de-energized',
	'state-picker.disconnect': 'DC disconnect',
	'state-picker.optimisers': 'Optimizers',
	'emergency-card.live':
		'Modules and their cables stay live in daylight, whatever is switched. Do not touch any module, cable or metal of a damaged array. Switched off is not verified de-energized.',
	'emergency-card.none-recorded':
		'No disconnect is recorded. Record each with its place; this card then lists them.'
} as const satisfies Partial<Record<keyof InterfaceMessages, string>>;
