/*
 * NEC ampacity tables as data, none of them verified against the text: local code and the licensed person
 * decide. Table and clause numbers are those of the 2020 edition.
 */

/** Temperature ratings of the columns, degC. */
export const NEC_COLUMNS = [60, 75, 90] as const;
export type NecColumn = (typeof NEC_COLUMNS)[number];
type ByColumn = readonly [at60: number, at75: number, at90: number];
type Material = 'copper' | 'aluminium';

/** One conductor size. */
export interface NecSize {
	/** "10 AWG", "2/0 AWG", "250 kcmil". */
	readonly name: string;
	/** Cross-section, mm2: NEC Chapter 9, Table 8. */
	readonly area: number;
	/** DC resistance at 75 degC of the stranded, uncoated conductor, ohm/km: Chapter 9, Table 8. */
	readonly resistance: Readonly<Record<Material, number>>;
	/** Up to three current-carrying conductors in raceway, cable or earth at 30 degC, A: Table 310.16. */
	readonly raceway: Readonly<Record<Material, ByColumn | null>>;
	/** Single conductors in free air at 30 degC, A: Table 310.17. */
	readonly freeAir: Readonly<Record<Material, ByColumn | null>>;
	/** Largest overcurrent device whatever the ampacity, A: 240.4(D); null where it sets none. */
	readonly smallConductor: Readonly<Record<Material, number | null>>;
}

type Row = readonly [
	name: string,
	area: number,
	resistance: readonly [copper: number, aluminium: number],
	copperRaceway: ByColumn,
	aluminiumRaceway: ByColumn | null,
	copperFree: ByColumn,
	aluminiumFree: ByColumn | null
];

// prettier-ignore
const ROWS: readonly Row[] = [
	['14 AWG', 2.08, [10.3, 16.9], [15, 20, 25], null, [25, 30, 35], null],
	['12 AWG', 3.31, [6.5, 10.69], [20, 25, 30], [15, 20, 25], [30, 35, 40], [25, 30, 35]],
	['10 AWG', 5.261, [4.07, 6.679], [30, 35, 40], [25, 30, 35], [40, 50, 55], [35, 40, 45]],
	['8 AWG', 8.367, [2.551, 4.204], [40, 50, 55], [35, 40, 45], [60, 70, 80], [45, 55, 60]],
	['6 AWG', 13.3, [1.608, 2.652], [55, 65, 75], [40, 50, 55], [80, 95, 105], [60, 75, 85]],
	['4 AWG', 21.15, [1.01, 1.666], [70, 85, 95], [55, 65, 75], [105, 125, 140], [80, 100, 115]],
	['3 AWG', 26.67, [0.802, 1.32], [85, 100, 115], [65, 75, 85], [120, 145, 165], [95, 115, 130]],
	['2 AWG', 33.62, [0.634, 1.045], [95, 115, 130], [75, 90, 100], [140, 170, 190], [110, 135, 150]],
	['1 AWG', 42.41, [0.505, 0.829], [110, 130, 145], [85, 100, 115], [165, 195, 220], [130, 155, 175]],
	['1/0 AWG', 53.49, [0.399, 0.66], [125, 150, 170], [100, 120, 135], [195, 230, 260], [150, 180, 205]],
	['2/0 AWG', 67.43, [0.317, 0.523], [145, 175, 195], [115, 135, 150], [225, 265, 300], [175, 210, 235]],
	['3/0 AWG', 85.01, [0.2512, 0.413], [165, 200, 225], [130, 155, 175], [260, 310, 350], [200, 240, 270]],
	['4/0 AWG', 107.2, [0.1996, 0.328], [195, 230, 260], [150, 180, 205], [300, 360, 405], [235, 280, 315]],
	['250 kcmil', 127, [0.1687, 0.2778], [215, 255, 290], [170, 205, 230], [340, 405, 455], [265, 315, 355]],
	['300 kcmil', 152, [0.1409, 0.2318], [240, 285, 320], [195, 230, 260], [375, 445, 500], [290, 350, 395]],
	['350 kcmil', 177, [0.1205, 0.1984], [260, 310, 350], [210, 250, 280], [420, 505, 570], [330, 395, 445]],
	['400 kcmil', 203, [0.1053, 0.1737], [280, 335, 380], [225, 270, 305], [455, 545, 615], [355, 425, 480]],
	['500 kcmil', 253, [0.0845, 0.1391], [320, 380, 430], [260, 310, 350], [515, 620, 700], [405, 485, 545]],
	['600 kcmil', 304, [0.0704, 0.1159], [350, 420, 475], [285, 340, 385], [575, 690, 780], [455, 545, 615]],
	['750 kcmil', 380, [0.0563, 0.0927], [400, 475, 535], [320, 385, 435], [655, 785, 885], [515, 620, 700]],
	['1000 kcmil', 507, [0.0423, 0.0695], [455, 545, 615], [375, 445, 500], [780, 935, 1055], [625, 750, 845]]
];

const SMALL_CONDUCTORS: Readonly<Record<string, NecSize['smallConductor']>> = {
	'14 AWG': { copper: 15, aluminium: null },
	'12 AWG': { copper: 20, aluminium: 15 },
	'10 AWG': { copper: 30, aluminium: 25 }
};

/** Every size, thinnest first. */
export const NEC_SIZES: readonly NecSize[] = ROWS.map(
	([
		name,
		area,
		[copper, aluminium],
		copperRaceway,
		aluminiumRaceway,
		copperFree,
		aluminiumFree
	]) => ({
		name,
		area,
		resistance: { copper, aluminium },
		raceway: { copper: copperRaceway, aluminium: aluminiumRaceway },
		freeAir: { copper: copperFree, aluminium: aluminiumFree },
		smallConductor: SMALL_CONDUCTORS[name] ?? { copper: null, aluminium: null }
	})
);

export const NEC_CLAUSES = {
	raceway: 'NEC Table 310.16',
	freeAir: 'NEC Table 310.17',
	ambient: 'Table 310.15(B)(1)',
	grouping: 'Table 310.15(C)(1)',
	terminals: '110.14(C)',
	overcurrent: '240.4(B) and (D)'
} as const;

/** Change of resistance per kelvin from 75 degC, 1/K: note to Chapter 9, Table 8. */
export const NEC_PER_KELVIN: Readonly<Record<Material, number>> = {
	copper: 0.00323,
	aluminium: 0.0033
};

/** Ambient correction for tables at 30 degC, by column: Table 310.15(B)(1); null: not permitted so warm. */
// prettier-ignore
const AMBIENT: readonly (readonly [upTo: number, ...(readonly (number | null)[])])[] = [
	[10, 1.29, 1.2, 1.15], [15, 1.22, 1.15, 1.12], [20, 1.15, 1.11, 1.08], [25, 1.08, 1.05, 1.04],
	[30, 1, 1, 1], [35, 0.91, 0.94, 0.96], [40, 0.82, 0.88, 0.91], [45, 0.71, 0.82, 0.87],
	[50, 0.58, 0.75, 0.82], [55, 0.41, 0.67, 0.76], [60, null, 0.58, 0.71], [65, null, 0.47, 0.65],
	[70, null, 0.33, 0.58], [75, null, null, 0.5], [80, null, null, 0.41], [85, null, null, 0.29]
];

/**
 * Correction of an ampacity at 30 degC for the ambient temperature.
 *
 * @param ambient degC
 * @returns the factor; null where the table permits no current in this column
 */
export function necAmbientFactor(ambient: number, column: NecColumn): number | null {
	// Tables are by whole degrees: 35.4 degC lies between the rows and takes the warmer one.
	const row = AMBIENT.find(([upTo]) => ambient <= upTo);
	return row?.[NEC_COLUMNS.indexOf(column) + 1] ?? null;
}

/** Adjustment for more than three current-carrying conductors together: Table 310.15(C)(1). */
const GROUPING: readonly (readonly [upTo: number, factor: number])[] = [
	[3, 1],
	[6, 0.8],
	[9, 0.7],
	[20, 0.5],
	[30, 0.45],
	[40, 0.4],
	[Infinity, 0.35]
];

/** @param conductors current-carrying conductors in the raceway, cable or bundle */
export function necGroupingFactor(conductors: number): number {
	return GROUPING.find(([upTo]) => conductors <= upTo)![1];
}

/**
 * Column that terminals are taken for where nothing is marked on them: 110.14(C)(1), 60 degC for circuits
 * up to 100 A or conductors up to 1 AWG, else 75 degC.
 */
export function assumedTerminals(areaMm2: number): NecColumn {
	return areaMm2 <= 42.41 * 1.03 ? 60 : 75;
}
