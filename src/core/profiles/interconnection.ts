/*
 * How sources may share a busbar, as data; none verified against the text. Clause numbers are those of the
 * 2020 edition (705.12(D)(2)(3) in 2014, 705.12(B)(2)(3) in 2017).
 */

/** Factor on the inverter's continuous output current: NEC 705.12(B). */
export const INVERTER_FACTOR = 1.25;

/** What the record says of a busbar and of what feeds it, A; null where it is not recorded. */
export interface BusbarFacts {
	readonly bus: number;
	readonly main: number;
	/** Output current of all inverters on it, A. */
	readonly inverters: number;
	/** Whether every PV breaker is at the far end from the main. */
	readonly farEnd: boolean | null;
	/** All breakers but the main together, A. */
	readonly breakers: number | null;
	readonly centreFed: boolean | null;
	readonly dwelling: boolean | null;
	/** What a power control system limits the busbar to, A; null where there is none recorded. */
	readonly powerControl: number | null;
}

/** One way in which the rule is met. */
export interface BusbarAlternative {
	readonly code:
		| 'sum-of-sources'
		| 'opposite-end'
		| 'sum-of-breakers'
		| 'centre-fed'
		| 'power-control';
	readonly words: string;
	readonly clause: string;
	/** Whether it is met; null where the record does not say. */
	readonly met: boolean | null;
	/** What the record would have to say; empty where it says it. */
	readonly missing: string;
}

/** The alternatives of NEC 705.12(B)(3), in the order of the text. */
export function necBusbar(facts: BusbarFacts): BusbarAlternative[] {
	const { bus, main, farEnd, breakers, centreFed, dwelling, powerControl } = facts;
	const pv = INVERTER_FACTOR * facts.inverters;
	const within120 = main + pv <= 1.2 * bus;
	return [
		{
			code: 'sum-of-sources',
			words: 'main + 1.25 × inverter current ≤ busbar rating, breaker anywhere',
			clause: '705.12(B)(3)(1)',
			met: main + pv <= bus,
			missing: ''
		},
		{
			code: 'opposite-end',
			words:
				'main + 1.25 × inverter current ≤ 120 % of the busbar rating, PV breaker at the far end',
			clause: '705.12(B)(3)(2)',
			met: within120 ? farEnd : false,
			missing: 'whether the PV breaker is at the far end of the busbar'
		},
		{
			code: 'sum-of-breakers',
			words: 'all breakers but the main add up to ≤ busbar rating',
			clause: '705.12(B)(3)(3)',
			met: breakers === null ? null : breakers <= bus,
			missing: 'the sum of all breakers but the main'
		},
		{
			code: 'centre-fed',
			words: 'centre-fed panelboard of a dwelling, one PV breaker at either end, within 120 %',
			clause: '705.12(B)(3)(4)',
			met: within120 ? both(centreFed, dwelling) : false,
			missing: 'whether the main feeds the busbar at its centre'
		},
		{
			code: 'power-control',
			words: 'a power control system limits the busbar to its rating',
			clause: '705.13',
			met: powerControl === null ? null : powerControl <= bus,
			missing: 'what a power control system limits the busbar to'
		}
	];
}

/** Both claims; false as soon as one is, null where one is not known. */
function both(a: boolean | null, b: boolean | null): boolean | null {
	if (a === false || b === false) return false;
	return a === null || b === null ? null : true;
}
