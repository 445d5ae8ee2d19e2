/*
 * PV cable by EN 50618 (H1Z2Z2-K: tinned class 5 copper) as data, not verified against the text: national
 * rules, the cable maker and the licensed person decide.
 */

/** How a cable is laid, as the columns of the table. */
type En50618Laying = 'free-air' | 'on-surface' | 'touching';

interface En50618Size {
	/** Nominal cross-section, mm2. */
	readonly size: number;
	/** Current-carrying capacity at 60 degC ambient and 120 degC conductor, A: Table A.3. */
	readonly ampacity: Readonly<Record<En50618Laying, number>>;
	/** Maximum resistance of the tinned class 5 conductor at 20 degC, ohm/km: IEC 60228 Table 3. */
	readonly resistance: number;
}

// prettier-ignore
const ROWS: readonly (readonly [number, number, number, number, number])[] = [
	[1.5, 30, 29, 24, 13.7], [2.5, 41, 39, 33, 8.21], [4, 55, 52, 44, 5.09], [6, 70, 67, 57, 3.39],
	[10, 98, 93, 79, 1.95], [16, 132, 125, 107, 1.24], [25, 176, 167, 142, 0.795],
	[35, 218, 207, 176, 0.565], [50, 276, 262, 221, 0.393], [70, 347, 330, 278, 0.277],
	[95, 416, 395, 333, 0.21], [120, 488, 464, 390, 0.164], [150, 566, 538, 453, 0.132],
	[185, 644, 612, 515, 0.108], [240, 775, 736, 620, 0.0817]
];

/** Every size, thinnest first. */
export const EN50618_SIZES: readonly En50618Size[] = ROWS.map(
	([size, freeAir, onSurface, touching, resistance]) => ({
		size,
		ampacity: { 'free-air': freeAir, 'on-surface': onSurface, touching },
		resistance
	})
);

export const EN50618_CLAUSES = {
	table: 'EN 50618 Table A.3',
	ambient: 'EN 50618 Table A.4',
	grouping: 'IEC 60364-5-52 Table B.52.17, bunched',
	resistance: 'IEC 60228 Table 3, class 5 tinned'
} as const;

const AMBIENT: readonly (readonly [upTo: number, factor: number])[] = [
	[60, 1],
	[70, 0.92],
	[80, 0.84],
	[90, 0.75]
];

/** Correction for the ambient temperature, degC: Table A.4; null above its last row. */
export function en50618AmbientFactor(ambient: number): number | null {
	return AMBIENT.find(([upTo]) => ambient <= upTo)?.[1] ?? null;
}

/** Reduction for circuits bunched in air, on a surface or enclosed: IEC 60364-5-52 Table B.52.17, item 1. */
const GROUPING: readonly (readonly [upTo: number, factor: number])[] = [
	[1, 1],
	[2, 0.8],
	[3, 0.7],
	[4, 0.65],
	[5, 0.6],
	[6, 0.57],
	[7, 0.54],
	[8, 0.52],
	[9, 0.5],
	[12, 0.45],
	[16, 0.41],
	[20, 0.38]
];

/** @returns the factor for so many circuits together; null above the table's last row */
export function iecGroupingFactor(circuits: number): number | null {
	return GROUPING.find(([upTo]) => circuits <= upTo)?.[1] ?? null;
}
