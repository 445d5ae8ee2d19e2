import type { CurveGrid } from './curves';

/** Modules by index: those of each string, and those that stay out. */
export interface Layout {
	readonly strings: readonly (readonly number[])[];
	readonly out: readonly number[];
}

/** So many strings of so many modules. */
export interface Shape {
	readonly count: number;
	readonly length: number;
}

/** What a search must keep to. */
export interface SearchBasis {
	readonly grid: CurveGrid;
	/** Peak current of each module, A, by which they are first put in order. */
	readonly imp: readonly number[];
	/** Power of each alone, W. */
	readonly power: readonly number[];
	/** Open-circuit volts of each in the cold, V. */
	readonly cold: readonly number[];
	/** Volts that the cold string may have, V; infinite where nothing limits it. */
	readonly coldMost: number;
	readonly window: { readonly least: number; readonly most: number };
	/** All strings on one tracker, or each on its own. */
	readonly trackers: 'one' | 'each';
}
