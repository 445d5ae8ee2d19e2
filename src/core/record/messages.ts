import { type MessageOf, messagesOf, type Nothing } from '../message';
import type { PartKind } from './part';

/** What the record says, by code. */
export interface RecordMessages {
	'part.combiner': Nothing;
	'part.dc-disconnect': Nothing;
	'part.rapid-shutdown-device': Nothing;
	'part.transmitter': Nothing;
	'part.optimiser': Nothing;
	'part.micro-inverter': Nothing;
	'part.inverter': Nothing;
	'part.charge-controller': Nothing;
	'part.battery': Nothing;
	'part.ac-disconnect': Nothing;
	'part.breaker': Nothing;
	'part.bus': Nothing;
	'part.meter': Nothing;
	'part.surge': Nothing;
	'part.conductor': Nothing;
	'part.placard': Nothing;
}

export type RecordMessage = MessageOf<RecordMessages>;

const say = messagesOf<RecordMessages>();

/** Names of the kinds of parts, as they begin a line. */
export const PART_NAMES: Readonly<Record<PartKind, RecordMessage>> = {
	combiner: say('part.combiner'),
	'dc-disconnect': say('part.dc-disconnect'),
	'rapid-shutdown-device': say('part.rapid-shutdown-device'),
	transmitter: say('part.transmitter'),
	optimiser: say('part.optimiser'),
	'micro-inverter': say('part.micro-inverter'),
	inverter: say('part.inverter'),
	'charge-controller': say('part.charge-controller'),
	battery: say('part.battery'),
	'ac-disconnect': say('part.ac-disconnect'),
	breaker: say('part.breaker'),
	bus: say('part.bus'),
	meter: say('part.meter'),
	surge: say('part.surge'),
	conductor: say('part.conductor'),
	placard: say('part.placard')
};

/** The name of a kind of part in the language of who reads it. */
export type NameOfPart = (kind: PartKind) => string;
