import { messagesOf, type Nothing } from '$core/message';

interface OfCount {
	readonly count: number;
}

/** What screens say of themselves: headings, buttons, notices, by code. */
export interface InterfaceMessages {
	'isolation-page.title': Nothing;
	'isolation-page.lead': Nothing;
	'isolation-page.task': Nothing;
	'isolation-page.own-procedure': { readonly by: string };
	'isolation-page.arrival': Nothing;
	'isolation-page.down': Nothing;
	'isolation-page.up': Nothing;
	'isolation-page.complete': Nothing;
	'isolation-page.to-measurements': Nothing;
	'isolation-page.not-completed': Nothing;
	'isolation-page.and-more': OfCount;

	'isolation-steps.progress': { readonly done: number; readonly total: number };
	'isolation-steps.show-return-to-service': Nothing;
	'isolation-steps.show-completed': OfCount;
	'isolation-steps.show-some-completed': { readonly shown: number; readonly total: number };
	'isolation-steps.show-following': OfCount;
	'isolation-steps.show-some-following': { readonly shown: number; readonly total: number };
	'isolation-steps.undo': Nothing;
	'isolation-steps.beyond': { readonly value: number; readonly unit: string };
	'isolation-steps.save': Nothing;
	'isolation-steps.confirm': Nothing;
	'isolation-state.later': Nothing;
	'isolation-state.next': Nothing;
	'isolation-state.waiting': Nothing;
	'isolation-state.blocked': Nothing;
	'isolation-state.not-proved': Nothing;
	'isolation-state.done': Nothing;

	'live-view.title': Nothing;
	'live-view.no-strings': Nothing;
	'live-view.modules': Nothing;
	'live-view.bus': Nothing;
	'live-view.end': Nothing;
	'live-view.foot': Nothing;
	'live-state.live': Nothing;
	'live-state.charged': Nothing;
	'live-state.open': Nothing;
	'live-state.proved': Nothing;

	'isolation-gate.label': Nothing;
	'isolation-gate.first': Nothing;
	'isolation-gate.next': { readonly step: string };
	'isolation-gate.go': Nothing;
	'isolation-gate.own-meaning': { readonly by: string };
	'isolation-gate.own-meaning-unnamed': Nothing;
	'isolation-gate.own-confirm': Nothing;
	'isolation-gate.own': Nothing;

	'state-picker.inverter': Nothing;
	'state-picker.disconnect': Nothing;
	'state-picker.fuse': Nothing;
	'state-picker.peers': Nothing;
	'state-picker.optimisers': Nothing;
	'state-picker.transmitter': Nothing;
	'state-picker.changed': Nothing;
	'state-option.on': Nothing;
	'state-option.stopped': Nothing;
	'state-option.closed': Nothing;
	'state-option.open': Nothing;
	'state-option.in': Nothing;
	'state-option.out': Nothing;
	'state-option.none': Nothing;
	'state-option.joined': Nothing;
	'state-option.isolated': Nothing;
	'state-option.powered': Nothing;
	'state-option.off': Nothing;
	'state-option.producing': Nothing;
	'state-option.standby': Nothing;

	'emergency-card.title': Nothing;
	'emergency-card.map': Nothing;
	'emergency-card.print': Nothing;
	'emergency-card.heading': Nothing;
	'emergency-card.live': Nothing;
	'emergency-card.highest-voltage': Nothing;
	'emergency-card.one-module': Nothing;
	'emergency-card.unknown': Nothing;
	'emergency-card.rated-power': Nothing;
	'emergency-card.system': Nothing;
	'emergency-card.order': Nothing;
	'emergency-card.none-recorded': Nothing;
	'emergency-card.revision': { readonly number: number };
}

/** Makes a message of the interface. */
export const ui = messagesOf<InterfaceMessages>();
