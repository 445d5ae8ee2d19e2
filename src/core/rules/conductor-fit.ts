import type { SiteRules } from '../record/record';
import type { Ampacity } from './ampacity';
import { amount } from './checks/check';
import { CURRENT as IEC } from './profiles/iec';
import { CURRENT as US } from './profiles/us';

/** What a conductor has to bear, and whether it does. */
export interface ConductorFit {
	readonly fits: boolean;
	/** The answer in a sentence. */
	readonly words: string;
	/** How it was come by. */
	readonly formula: string;
	readonly clause: string;
}

const amps = (value: number) => amount(value, 'A');

/**
 * A conductor against the strings that it carries: 1.25 x Isc; by the US profile that in its surroundings
 * and 1.56 x Isc at its terminals (NEC 690.8(A), (B), from memory; IEC 62548-1, from memory).
 *
 * @param isc label short-circuit current of all its strings together, A
 */
export function conductorFit(
	ampacity: Extract<Ampacity, { known: true }>,
	isc: number,
	{ profile }: Pick<SiteRules, 'profile'>
): ConductorFit {
	const us = profile === 'US';
	const surrounded = (us ? US : IEC).maximum.factor * isc;
	const terminals = us ? US.continuous.factor * isc : surrounded;
	const fits = ampacity.terminals >= terminals && ampacity.corrected >= surrounded;
	return {
		fits,
		words: `Bears ${amps(ampacity.corrected)} where it lies; needs ${amps(surrounded)}${us ? ` there and ${amps(terminals)} at its terminals (${amps(ampacity.terminals)})` : ''}${fits ? '' : ': too thin'}.`,
		formula: `${ampacity.formula}; current ${us ? `${US.maximum.factor} x Isc, and ${US.continuous.factor} x Isc before corrections` : `${IEC.maximum.factor} x Isc`}`,
		clause: `${ampacity.clause}; ${us ? `${US.maximum.clause}; ${US.continuous.clause}` : IEC.maximum.clause}`
	};
}
