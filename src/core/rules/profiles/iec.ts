import { GPV_MULTIPLES } from '../../circuit/fuse';

/* Figures of the IEC and EN standards as data, all from memory. */

export const CURRENT = {
	maximum: { factor: 1.25, clause: 'IEC 62548-1, maximum current, from memory' },
	fuseNeeded: { clause: 'IEC 62548-1, (Ns - 1) x Isc > Imod,max,OCPR, from memory' },
	fuse: { low: 1.5, high: 2.4, clause: 'IEC 62548-1, 1.5 Isc to 2.4 Isc, from memory' }
} as const;

export const COLD_VOLTS = {
	clause: 'IEC 62548-1, string Voc at the lowest temperature, from memory'
};

/** Single solar cables at 60 degC surroundings, A by mm2: EN 50618. */
export const SOLAR_CABLE: {
	readonly clause: string;
	readonly free: readonly (readonly [size: number, amps: number])[];
	readonly touching: readonly (readonly [size: number, amps: number])[];
} = {
	clause: 'EN 50618, single cable at 60 degC, from memory',
	free: [
		[1.5, 30],
		[2.5, 41],
		[4, 55],
		[6, 70],
		[10, 98],
		[16, 132]
	],
	touching: [
		[4, 44],
		[6, 57]
	]
};

/** gPV fuses (IEC 60269-6): what they surely hold and surely open within the hour, as multiples of the rating. */
export const GPV = { ...GPV_MULTIPLES, clause: 'IEC 60269-6, from memory' } as const;
