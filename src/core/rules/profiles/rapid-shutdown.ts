import type { SiteRules, Structure } from '../../record/record';

/** What an edition asks of the conductors after the initiator is switched off. */
export interface RapidShutdownDuty {
	readonly asked: boolean;
	readonly words: string;
	readonly clause: string;
}

const EXEMPT: Readonly<Partial<Record<Structure, string>>> = {
	ground: 'a ground mount whose conductors enter no building',
	'pv-only-building': 'a building that houses PV equipment alone'
};

const LIMITS: Readonly<Record<NonNullable<SiteRules['edition']>, string>> = {
	2014: 'Conductors more than 3 m (10 ft) from the array, or more than 1.5 m (5 ft) inside a building: at most 30 V and 240 VA within 10 s.',
	2017: 'Outside the array’s boundary (0.3 m, 1 ft): at most 30 V within 30 s. Inside: at most 80 V within 30 s.',
	2020: 'Outside the array’s boundary (0.3 m, 1 ft): at most 30 V within 30 s. Inside: at most 80 V within 30 s, or a listed hazard-control array.',
	2023: 'Outside the array’s boundary (0.3 m, 1 ft): at most 30 V within 30 s. Inside: at most 80 V within 30 s, or a listed hazard-control array.'
};

/**
 * Whether and how rapid shutdown is asked for: NEC 690.12 by edition and structure, from memory.
 *
 * @returns null where edition or structure is not known
 */
export function rapidShutdownDuty({
	profile,
	edition,
	structure
}: SiteRules): RapidShutdownDuty | null {
	if (profile !== 'US') {
		return {
			asked: false,
			words: 'The IEC profile asks for none; a fire brigade or an insurer may.',
			clause: 'IEC 62548-1, from memory'
		};
	}
	if (edition === null || structure === null) return null;
	const clause = `NEC ${edition} 690.12, from memory`;
	const exempt =
		EXEMPT[structure] ??
		(structure === 'open-carport' && edition === 2023
			? 'an open carport, exempt from the 2023 edition on'
			: undefined);
	if (exempt) return { asked: false, words: `Not asked for on ${exempt}.`, clause };
	return { asked: true, words: LIMITS[edition], clause };
}
