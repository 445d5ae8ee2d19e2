import type { Technology } from './technology';

/**
 * The electrical part of a module's label, at standard test conditions.
 *
 * V, A, W; coefficients in %/K of Isc and of Voc, null where the label states none.
 * `cellsInSeries` counts cells in series: a half-cut module of 120 cells carries two parallel
 * groups, so 60.
 */
export interface Nameplate {
	readonly technology: Technology;
	readonly cellsInSeries: number;
	/** Sections, that is bypass diodes. */
	readonly sections: number;
	readonly pmax: number;
	readonly vmp: number;
	readonly imp: number;
	readonly voc: number;
	readonly isc: number;
	readonly alphaIscPctPerK: number | null;
	readonly betaVocPctPerK: number | null;
}

/** What the fit needs of a label; what it does not state may be left out. */
export type FitNameplate = Pick<Nameplate, 'vmp' | 'imp' | 'voc' | 'isc' | 'cellsInSeries'> & {
	readonly technology?: Technology | undefined;
	readonly alphaIscPctPerK?: number | null | undefined;
	readonly betaVocPctPerK?: number | null | undefined;
};
