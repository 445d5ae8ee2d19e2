import { NEC_SIZES } from './cables/nec-tables';

/** Smallest equipment grounding conductor by overcurrent device: NEC Table 250.122, not verified. */
// prettier-ignore
const NEC_EARTHING: readonly (readonly [upTo: number, copper: string, aluminium: string])[] = [
	[15, '14 AWG', '12 AWG'], [20, '12 AWG', '10 AWG'], [60, '10 AWG', '8 AWG'],
	[100, '8 AWG', '6 AWG'], [200, '6 AWG', '4 AWG'], [300, '4 AWG', '2 AWG'],
	[400, '3 AWG', '1 AWG'], [500, '2 AWG', '1/0 AWG'], [600, '1 AWG', '2/0 AWG'],
	[800, '1/0 AWG', '3/0 AWG'], [1000, '2/0 AWG', '4/0 AWG'], [1200, '3/0 AWG', '250 kcmil']
];

/**
 * Cross-section of the smallest equipment grounding conductor, mm2.
 *
 * @param rating of the overcurrent device ahead of it, A
 * @returns null above the table's last row
 */
export function earthingConductorArea(
	rating: number,
	material: 'copper' | 'aluminium'
): number | null {
	const row = NEC_EARTHING.find(([upTo]) => rating <= upTo);
	if (!row) return null;
	const name = material === 'copper' ? row[1] : row[2];
	return NEC_SIZES.find((size) => size.name === name)!.area;
}

/** Smallest bonding conductor of an array, mm2: IEC 62548-1, not verified; aluminium of the same conductance. */
export const IEC_EARTHING_AREA = { copper: 6, aluminium: 10 } as const;
