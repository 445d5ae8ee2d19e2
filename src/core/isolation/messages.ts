import { type Message, type MessageOf, messagesOf, type Nothing } from '../message';

interface OfDevice {
	/** ID of the device. */
	readonly mark: string;
}
interface OfString {
	/** ID of the string. */
	readonly string: string;
}
interface OfLimit {
	readonly limit: number;
	readonly unit: string;
}
interface OfRating {
	/** V that the test equipment is rated for. */
	readonly rated: number;
	/** V that can be present. */
	readonly needed: number;
	/** Where, and under what. */
	readonly place: Message;
}

/** Isolation and return to service: steps, limits, places and cautions, by code. */
export interface IsolationMessages {
	'isolation.task.closed-covers': Nothing;
	'isolation.task.open-live': Nothing;
	'isolation.task.dead': Nothing;

	'isolation.limit.least': OfLimit;
	'isolation.limit.most': OfLimit;
	'isolation.source.practice': Nothing;
	'isolation.source.zembo-default': OfLimit;
	'isolation.source.rating': Nothing;
	'isolation.source.test-prove-test': Nothing;
	'isolation.source.clamp-verified': Nothing;
	'isolation.source.capacitors-unknown': Nothing;
	'isolation.source.device-label': Nothing;
	'isolation.source.standby': Nothing;
	'isolation.source.shutdown-2014': Nothing;
	'isolation.source.shutdown-2017-on': Nothing;
	'isolation.source.shutdown': { readonly edition: number };
	'isolation.source.display': Nothing;
	'isolation.source.battery': Nothing;
	'isolation.source.cold-table': Nothing;
	'isolation.source.dead': { readonly current: number; readonly voltage: number };
	'isolation.source.half-ampere': Nothing;

	'isolation.where.place': { readonly place: string };
	'isolation.where.not-recorded': Nothing;
	'isolation.where.combiners': { readonly combiners: string };
	'isolation.where.clamp': Nothing;
	'isolation.where.inverter-terminals': Nothing;
	'isolation.where.trunk-cable': Nothing;

	'isolation.arrival.weather': Nothing;
	'isolation.arrival.weather-caution': Nothing;
	'isolation.arrival.people': Nothing;
	'isolation.arrival.rating-meter': Nothing;
	'isolation.arrival.rating-clamp': Nothing;
	'isolation.arrival.rating-printed': Nothing;
	'isolation.arrival.rating-too-low': { readonly needed: number; readonly place: Message };
	'isolation.arrival.strings-not-recorded': Nothing;
	'isolation.arrival.meter': Nothing;
	'isolation.known-source': Nothing;
	'isolation.arrival.meter-failed': Nothing;
	'isolation.arrival.clothes': Nothing;
	'isolation.arrival.gloves': { readonly needed: number };
	'isolation.arrival.gloves-unknown': Nothing;
	'isolation.arrival.frame-dc': Nothing;
	'isolation.arrival.frame-ac': Nothing;
	'isolation.arrival.frame-dc-read': Nothing;
	'isolation.arrival.frame-ac-read': Nothing;
	'isolation.arrival.frame-live': Nothing;
	'isolation.clamp': Nothing;
	'isolation.clamp-read': Nothing;
	'isolation.clamp-failed': Nothing;

	'isolation.off.ac-disconnect': OfDevice;
	'isolation.off.pv-breaker': OfDevice;
	'isolation.off.branch-breaker': OfDevice;
	'isolation.off.dc-disconnect': OfDevice;
	'isolation.off.pv-disconnect': OfDevice;
	'isolation.off.battery-breaker': OfDevice;
	'isolation.off.loads': Nothing;
	'isolation.off.initiator': Nothing;
	'isolation.off.initiator-at': { readonly initiator: string };
	'isolation.off.inverter': OfDevice;
	'isolation.no-current.before': OfString;
	'isolation.no-current.after': OfString;
	'isolation.no-current.read': OfString;
	'isolation.shutdown': { readonly seconds: number };
	'isolation.shutdown.wait': Nothing;
	'isolation.shutdown.read': Nothing;
	'isolation.shutdown.failed': Nothing;
	'isolation.shutdown.caution': Nothing;
	'isolation.ac-power': OfDevice;
	'isolation.ac-power.read': Nothing;
	'isolation.ac-power.failed': Nothing;
	'isolation.ac-power.caution': Nothing;
	'isolation.capacitors': { readonly mark: string; readonly minutes: number };
	'isolation.dead.plus-minus': OfDevice;
	'isolation.dead.plus-earth': OfDevice;
	'isolation.dead.minus-earth': OfDevice;
	'isolation.dead.plus-minus-read': Nothing;
	'isolation.dead.plus-earth-read': Nothing;
	'isolation.dead.minus-earth-read': Nothing;
	'isolation.dead.failed': Nothing;
	'isolation.meter-again': Nothing;
	'isolation.meter-again.failed': Nothing;
	'isolation.fuses-out': Nothing;
	'isolation.fuses-out.caution': Nothing;
	'isolation.standby': { readonly mark: string; readonly limit: number };
	'isolation.standby-near': {
		readonly mark: string;
		readonly limit: number;
		readonly near: number;
	};
	'isolation.standby.read': Nothing;
	'isolation.standby.failed': Nothing;
	'isolation.branch-dead.line-line': Nothing;
	'isolation.branch-dead.line-neutral': Nothing;
	'isolation.branch-dead.line-earth': Nothing;
	'isolation.branch-dead.line-line-read': Nothing;
	'isolation.branch-dead.line-neutral-read': Nothing;
	'isolation.branch-dead.line-earth-read': Nothing;
	'isolation.branch-dead.failed': Nothing;
	'isolation.connectors-off': Nothing;
	'isolation.battery.caution': Nothing;

	'isolation.on.polarity': Nothing;
	'isolation.on.fuses': Nothing;
	'isolation.on.ac-disconnect': OfDevice;
	'isolation.on.pv-breaker': OfDevice;
	'isolation.on.dc-disconnect': OfDevice;
	'isolation.on.battery-breaker': OfDevice;
	'isolation.on.battery-read': Nothing;
	'isolation.on.battery-reversed': Nothing;
	'isolation.on.initiator': Nothing;
	'isolation.on.initiator-caution': Nothing;
	'isolation.on.loads': Nothing;
	'isolation.on.connectors': Nothing;
	'isolation.on.inverter': OfDevice;
	'isolation.on.inverter-wait': Nothing;
	'isolation.on.inverter-idle': Nothing;
	'isolation.close.unread': OfString;
	'isolation.close.reversed': { readonly string: string; readonly voltage: number };
	'isolation.close.not-assessed': { readonly string: string; readonly reason: string };
	'isolation.close.failed': OfString;
	'isolation.close.failed-by': { readonly string: string; readonly difference: string };

	'isolation.place.coldest': { readonly string: string; readonly lowest: number };
	'isolation.place.hard-frost': OfString;
	'isolation.rating.meter': OfRating;
	'isolation.rating.clamp': OfRating;
	'isolation.category.meter': Nothing;
	'isolation.category.clamp': Nothing;

	'isolation.live.not-recorded': Nothing;
	'isolation.live.daylight': Nothing;
	'isolation.live.devices-off': Nothing;
	'isolation.live.fuses-out': Nothing;
	'isolation.live.past-fuses': Nothing;
	'isolation.live.by-strings': Nothing;
	'isolation.live.connected': Nothing;
	'isolation.live.proved': Nothing;
	'isolation.live.by-battery': Nothing;
	'isolation.live.charged': Nothing;

	'isolation.caution.common': Nothing;
	'isolation.caution.test-equipment': { readonly voltage: number };
	'isolation.caution.dead': { readonly current: number; readonly voltage: number };
	'isolation.caution.connector': Nothing;
	'isolation.caution.roof': Nothing;
	'isolation.caution.reversed-string': Nothing;
	'isolation.caution.circulating': Nothing;
	'isolation.caution.blown-fuse': Nothing;
	'isolation.caution.open-string': Nothing;
	'isolation.caution.earth-fault': Nothing;
	'isolation.who-decides': Nothing;
	'isolation.first': Nothing;

	'isolation.exposure.closed-cover': Nothing;
	'isolation.exposure.open-cover-live': Nothing;
	'isolation.exposure.open-cover-dead': Nothing;
	'isolation.exposure.joint-dead': Nothing;
	'isolation.exposure.roof': Nothing;

	'isolation.emergency.lock-off': Nothing;
	'isolation.emergency.battery': Nothing;
	'isolation.emergency.initiator-not-recorded': Nothing;
}

export type IsolationMessage = MessageOf<IsolationMessages>;

export const say = messagesOf<IsolationMessages>();

export const PRACTICE = say('isolation.source.practice');
