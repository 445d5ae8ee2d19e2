import { GPV_MULTIPLES } from '../circuit';

/* Figures of the IEC and EN standards as data, all not verified. */

export const IEC_CURRENT = {
	maximum: { factor: 1.25, clause: 'IEC 62548-1, maximum current, not verified' },
	fuseNeeded: { clause: 'IEC 62548-1, (Ns − 1) × Isc > Imod,max,OCPR, not verified' },
	fuse: { low: 1.5, high: 2.4, clause: 'IEC 62548-1, 1.5 × Isc to 2.4 × Isc, not verified' },
	/** Of sub-arrays in parallel, as multiples of their Isc. */
	subArray: { low: 1.25, high: 2.4 }
} as const;

export const COLD_VOLTAGE = {
	clause: 'IEC 62548-1, string Voc at the lowest temperature, not verified'
};

/** gPV fuses (IEC 60269-6): what they surely hold and surely open within the hour, as multiples of the rating. */
export const GPV = { ...GPV_MULTIPLES, clause: 'IEC 60269-6, not verified' } as const;
