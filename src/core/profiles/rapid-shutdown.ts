import type { SiteRules, Structure } from '../record';

/** What an edition requires of the conductors after the initiator is switched off. */
export interface RapidShutdownDuty {
	readonly asked: boolean;
	readonly words: string;
	readonly clause: string;
}

type Edition = NonNullable<SiteRules['edition']>;

const OUTSIDE_2017 =
	'Outside the array boundary (more than 0.3 m/1 ft from the array, or more than 1 m/3 ft inside the point of entry into a building): at most 30 V within 30 s.';
const NO_EXPOSED_WIRING =
	', or no exposed wiring methods or conductive parts and more than 2.5 m (8 ft) from exposed earthed metal';
const INSIDE_2020 = `Inside the boundary: at most 80 V within 30 s, or a listed hazard control system`;

const LIMITS: Readonly<Record<Edition, string>> = {
	2014: 'Conductors more than 3 m (10 ft) from the array, or more than 1.5 m (5 ft) inside a building: at most 30 V and 240 VA within 10 s.',
	2017: `${OUTSIDE_2017} Inside the boundary: at most 80 V within 30 s, or a listed rapid-shutdown array${NO_EXPOSED_WIRING}.`,
	2020: `${OUTSIDE_2017} ${INSIDE_2020}${NO_EXPOSED_WIRING}.`,
	2023: `${OUTSIDE_2017} ${INSIDE_2020}.`,
	2026: `${OUTSIDE_2017} ${INSIDE_2020}. (As in 2023; the 2026 text was not compared.)`
};

/** Structures that an edition exempts, in words; undefined where it does not. */
function exemption(structure: Structure, edition: Edition): string | undefined {
	switch (structure) {
		case 'ground':
			return 'a ground mount whose conductors enter no building';
		case 'pv-only-building':
			// The 2014 edition has no such exception.
			return edition === 2014 ? undefined : 'a building that houses PV equipment only';
		case 'open-carport':
			return edition >= 2023 ? 'an open carport (from the 2023 edition on)' : undefined;
		default:
			return undefined;
	}
}

/**
 * Whether and how rapid shutdown is required: NEC 690.12 by edition and structure, not verified.
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
			words: 'None by the IEC profile; the fire service or an insurer may set a requirement.',
			clause: 'IEC 62548-1, not verified'
		};
	}
	if (edition === null || structure === null) return null;
	const clause = `NEC ${edition} 690.12, not verified`;
	const exempt = exemption(structure, edition);
	if (exempt) return { asked: false, words: `None for ${exempt}.`, clause };
	return { asked: true, words: LIMITS[edition], clause };
}
