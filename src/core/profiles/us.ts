/*
 * Figures of the NEC as data, all not verified: local code, the makers' instructions and the licensed
 * person decide. Clause numbers are those of the 2020 edition unless said otherwise.
 */

/** Factors on label Voc where the label states no coefficient, by lowest air temperature: NEC Table 690.7(A). */
export const COLD_FACTORS: {
	readonly clause: string;
	/** The factor holds from this temperature, degC, up to the row before. */
	readonly rows: readonly (readonly [downTo: number, factor: number])[];
} = {
	clause: 'NEC Table 690.7(A), not verified',
	rows: [
		[25, 1],
		[20, 1.02],
		[15, 1.04],
		[10, 1.06],
		[5, 1.08],
		[0, 1.1],
		[-5, 1.12],
		[-10, 1.14],
		[-15, 1.16],
		[-20, 1.18],
		[-25, 1.2],
		[-30, 1.21],
		[-35, 1.23],
		[-40, 1.25]
	]
};

/** A raceway closer to the roof than this is that much warmer than the air. */
export const ROOF_ADDER = {
	clause: 'NEC 310.15(B)(2) (2017 on), not verified; graded by height in the 2014 edition',
	below: 22,
	kelvin: 33
} as const;

/** Graded by height above the roof, mm: NEC 2014 Table 310.15(B)(3)(c), not verified. */
export const ROOF_ADDER_2014: readonly (readonly [upTo: number, kelvin: number])[] = [
	[13, 33],
	[90, 22],
	[300, 17],
	[900, 14]
];

/** Current that conductors and fuses are sized for, as multiples of Isc. */
export const US_CURRENT = {
	maximum: { factor: 1.25, clause: 'NEC 690.8(A)(1), not verified' },
	continuous: { factor: 1.5625, clause: 'NEC 690.8(B), not verified' },
	fuse: { factor: 1.5625, clause: 'NEC 690.9(B), not verified' },
	fuseNeeded: { clause: 'NEC 690.9(A), not verified' }
} as const;
