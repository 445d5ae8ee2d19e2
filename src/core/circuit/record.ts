import type { Plate } from '../module/plate';

/** The array as recorded. A visit points at one revision of it; a revision is never rewritten. */
export interface ArrayRecord {
	readonly moduleTypes: readonly ModuleType[];
	/** In the order of the combiner. */
	readonly strings: readonly StringRecord[];
	/** Year of commissioning, for ageing; null where unknown. */
	readonly inServiceSince: number | null;
}

export interface ModuleType {
	readonly id: string;
	readonly name: string;
	readonly plate: Plate;
	/** Tolerance of the label's Voc and Isc, +/- %, as limits. */
	readonly tolerance: { readonly vocPct: number; readonly iscPct: number };
}

export interface StringRecord {
	readonly id: string;
	/** As marked at the roof, the combiner and the inverter, for example A1. */
	readonly label: string;
	readonly moduleTypeId: string;
	readonly moduleCount: number;
	/** Both conductors together, ohm. */
	readonly cableResistance: number;
	/** None, or one whose rating in A may be unknown. */
	readonly fuse: { readonly rating: number | null } | null;
	/** Name of the inverter input it ends at; null where not known yet. */
	readonly input: string | null;
}
