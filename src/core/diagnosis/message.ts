import { type FaultCode, meaningsOf } from '../visit';
import { type FaultRates, RATED_CODES, rateOf } from '../faults';

/** Causes that a meaning of an inverter's message points at. */
const POINTS_AT: Readonly<Record<string, readonly FaultCode[]>> = {
	'earth-fault-fuse': ['gfdi-fuse-blown', 'earth-fault'],
	'insulation-low': ['earth-fault', 'cable-damaged', 'moisture-intermittent', 'spd-failed'],
	'arc-fault': ['arc-fault', 'connector-resistive'],
	'rapid-shutdown': ['rsd-no-signal'],
	'no-ac': ['inverter-no-ac'],
	'dc-over-voltage': ['module-extra'],
	derating: ['inverter-derating'],
	'low-dc': ['fuse-blown', 'disconnect-open', 'connector-open', 'module-open']
};

/** By so much a message makes a cause likelier that it points at; judgement: trips are false one time in several. */
const TELLS = 40;

/** Faults that a message points at. */
export function pointedAt(says: string): ReadonlySet<FaultCode> {
	return new Set(meaningsOf(says).flatMap(({ id }) => POINTS_AT[id] ?? []));
}

/** How much likelier a message makes a cause; 1 where it says nothing of it. */
export function messageFactor(code: FaultCode, says: string): number {
	return pointedAt(says).has(code) ? TELLS : 1;
}

/**
 * The rates of a site after the inverter's message: odds of the causes it points at times
 * {@link TELLS}.
 */
export function ratesAfterMessage(rates: FaultRates, says: string): FaultRates {
	if (meaningsOf(says).length === 0) return rates;
	const pointed = RATED_CODES.filter((code) => messageFactor(code, says) > 1);
	return {
		...rates,
		...Object.fromEntries(
			pointed.map((code) => {
				const rate = rateOf(code, rates);
				const odds = TELLS * (rate / (1 - rate));
				return [code, odds / (1 + odds)];
			})
		)
	};
}
