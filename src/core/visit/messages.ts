import { type MessageOf, messagesOf, type Nothing } from '../message';

/** What a visit says of how a reading was taken, by code. */
export interface VisitMessages {
	'state.inverter-running': Nothing;
	'state.inverter-stopped': Nothing;
	'state.disconnect-closed': Nothing;
	'state.disconnect-open': Nothing;
	'state.fuse-in': Nothing;
	'state.fuse-out': Nothing;
	'state.parallel': Nothing;
	'state.isolated': Nothing;
	'state.transmitter-powered': Nothing;
	'state.transmitter-off': Nothing;
	'state.optimisers-producing': Nothing;
	'state.optimisers-standby': Nothing;
	'state.shorted': Nothing;
	'state.covered': Nothing;
}

export type VisitMessage = MessageOf<VisitMessages>;

export const say = messagesOf<VisitMessages>();
