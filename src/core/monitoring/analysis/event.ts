import type { ReturningShade } from './shade';

/** An energy not made, kWh: the estimate, and between what nine in ten such estimates lie. */
export interface Loss {
	/** kWh */
	readonly lost: number;
	readonly lostBand: { readonly low: number; readonly high: number };
}

/** What happened to one unit, against its peers. */
export type UnitEvent = Loss & {
	readonly unit: string;
	/** First day of it. */
	readonly since: string;
	/** Last day of it; null while it lasts. */
	readonly until: string | null;
	/** Output over that of its peers: at its worst level that lasts, or on average where it comes and goes. */
	readonly level: number;
} & (
		| { readonly kind: 'dead' | 'silent' | 'low' | 'step' | 'slope' }
		/** Stops and starts again: one thing, however often. */
		| { readonly kind: 'intermittent'; readonly outages: number; readonly days: number }
		/** Fell slowly and came back at once: soiling, and rain or somebody with a brush. */
		| { readonly kind: 'dirt'; readonly washed: string }
		| { readonly kind: 'shade'; readonly shade: ReturningShade }
	);

/** What happened to all alike, or to the sensor. */
export interface ArrayEvent {
	readonly kind: 'dirt' | 'sensor-drift' | 'fall' | 'snow' | 'no-data';
	readonly since: string;
	readonly until: string | null;
	/** Change over that time, negative for less; of snow the mean of its days. */
	readonly change: number;
	/** Day on which rain took it off; null where none did. */
	readonly washed: string | null;
	/** What it took of all units together; null where that cannot be told. */
	readonly loss: Loss | null;
}
