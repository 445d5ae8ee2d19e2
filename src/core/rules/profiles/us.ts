/*
 * Figures of the NEC as data, all from memory: local code, the makers' instructions and the licensed
 * person decide. Clause numbers are those of the 2020 edition unless said otherwise.
 */

/** Factors on label Voc where the label states no coefficient, by lowest air temperature: NEC Table 690.7(A). */
export const COLD_FACTORS: {
	readonly clause: string;
	/** The factor holds from this temperature, degC, up to the row before. */
	readonly rows: readonly (readonly [downTo: number, factor: number])[];
} = {
	clause: 'NEC Table 690.7(A), from memory',
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

/** Copper in raceway or cable, up to three conductors, 30 degC: NEC Table 310.16; A at 60, 75, 90 degC. */
export const AMPACITY: {
	readonly clause: string;
	readonly rows: readonly {
		readonly awg: number;
		/** mm2, as conductors are recorded. */
		readonly size: number;
		readonly amps: Readonly<Record<'60 °C' | '75 °C' | '90 °C', number>>;
		/** Highest fuse or breaker on it, A: 240.4(D). */
		readonly fuse: number | null;
	}[];
} = {
	clause: 'NEC Table 310.16 and 240.4(D), from memory',
	rows: [
		{ awg: 14, size: 2.08, amps: { '60 °C': 15, '75 °C': 20, '90 °C': 25 }, fuse: 15 },
		{ awg: 12, size: 3.31, amps: { '60 °C': 20, '75 °C': 25, '90 °C': 30 }, fuse: 20 },
		{ awg: 10, size: 5.26, amps: { '60 °C': 30, '75 °C': 35, '90 °C': 40 }, fuse: 30 },
		{ awg: 8, size: 8.37, amps: { '60 °C': 40, '75 °C': 50, '90 °C': 55 }, fuse: null },
		{ awg: 6, size: 13.3, amps: { '60 °C': 55, '75 °C': 65, '90 °C': 75 }, fuse: null },
		{ awg: 4, size: 21.2, amps: { '60 °C': 70, '75 °C': 85, '90 °C': 95 }, fuse: null }
	]
};

/** Correction of the 90 degC column for the surroundings: NEC Table 310.15(B)(1). */
export const AMBIENT_90: {
	readonly clause: string;
	readonly rows: readonly (readonly [upTo: number, factor: number])[];
} = {
	clause: 'NEC Table 310.15(B)(1), from memory',
	rows: [
		[30, 1],
		[35, 0.96],
		[40, 0.91],
		[45, 0.87],
		[50, 0.82],
		[55, 0.76],
		[60, 0.71],
		[65, 0.65],
		[70, 0.58]
	]
};

/** A raceway closer to the roof than this is that much warmer than the air. */
export const ROOF_ADDER = {
	clause: 'NEC 310.15(B)(2) (2017 on), from memory; graded by height in the 2014 edition',
	below: 22,
	kelvin: 33
} as const;

/** Graded by height above the roof, mm: NEC 2014 Table 310.15(B)(3)(c), from memory. */
export const ROOF_ADDER_2014: readonly (readonly [upTo: number, kelvin: number])[] = [
	[13, 33],
	[90, 22],
	[300, 17],
	[900, 14]
];

/** Current that conductors and fuses are sized for, as multiples of Isc. */
export const CURRENT = {
	maximum: { factor: 1.25, clause: 'NEC 690.8(A)(1), from memory' },
	continuous: { factor: 1.5625, clause: 'NEC 690.8(B), from memory' },
	fuse: { factor: 1.5625, clause: 'NEC 690.9(B), from memory' },
	fuseNeeded: { clause: 'NEC 690.9(A), from memory' }
} as const;

/** Sum of the sources on a bus, with the PV breaker at the far end from the main. */
export const BUS_RULE = {
	share: 1.2,
	inverter: 1.25,
	clause:
		'NEC 705.12(B)(3)(2) (2020; 705.12(D)(2)(3)(b) in 2014, 705.12(B)(2)(3)(b) in 2017), from memory'
} as const;
