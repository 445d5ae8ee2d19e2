import type { ReturningShade } from './shade';

/** What happened to one unit, against its like. */
export type UnitEvent = {
	readonly unit: string;
	/** First day of it. */
	readonly since: string;
	/** Last day of it; null while it lasts. */
	readonly until: string | null;
	/** Output over that of its like, at its worst level that lasts. */
	readonly level: number;
	/** Not made meanwhile, kWh. */
	readonly lost: number;
} & (
	| { readonly kind: 'dead' | 'silent' | 'low' | 'step' | 'slope' }
	/** Fell slowly and came back at once: dirt, and rain or somebody with a brush. */
	| { readonly kind: 'dirt'; readonly washed: string }
	| { readonly kind: 'shade'; readonly shade: ReturningShade }
);

/** What happened to all alike, or to the sensor. */
export interface ArrayEvent {
	readonly kind: 'dirt' | 'sensor-drift' | 'fall';
	readonly since: string;
	readonly until: string | null;
	/** Change over that time, negative for less. */
	readonly change: number;
	/** Day on which rain took it off; null where none did. */
	readonly washed: string | null;
}
