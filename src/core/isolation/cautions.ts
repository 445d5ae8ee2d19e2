import { DEAD_VOLTAGE, NO_CURRENT } from '../assessment';

/** How a test exposes the person who does it. */
export type Exposure =
	| 'closed-cover'
	| 'open-cover-live'
	| 'open-cover-dead'
	| 'joint-dead'
	| 'roof';

/** A caution that stands beside the work it belongs to. */
export interface Caution {
	readonly words: string;
	/** Clause, or the words "common practice". */
	readonly source: string;
}

/** Stands wherever a caution or a limit is shown. */
export const WHO_DECIDES =
	'Local code, the manufacturer’s instructions and the licensed person decide. Zembo reports what was measured, never that a part may be touched.';

/** Stands beside a test behind a cover or in a joint. */
export const MAKE_SAFE_FIRST =
	'Complete the steps of “Isolation” before opening a cover or connector. Open a connector only after no current was measured in it.';

const COMMON: Caution = {
	words:
		'Work in pairs or with a call-in. Verify the meter on a known source before and after. The sun cannot be switched off: the string side of every fuse and all module leads stay live in daylight.',
	source: 'common practice'
};

const TEST_EQUIPMENT = (ceiling: number): Caution => ({
	words: `Use meter, clamp meter, leads and probes rated for at least ${Math.round(ceiling)} V DC and CAT III (string Voc × 1.25, hard frost), leads in V and COM. Wear insulating gloves with leather protectors, eye and arc protection by the site’s assessment. A non-contact tester does not detect DC.`,
	source:
		'rating: NEC Table 690.7(A), factor at −36 to −40 °C, clause not verified; the rest common practice'
});

const DEAD: Caution = {
	words: `Prove dead before touching: disconnect off, locked and tagged; at most ${NO_CURRENT} A in one conductor, by a clamp meter zeroed and just verified on a known DC current; capacitor time waited (5 minutes if unknown); then + to −, + to earth and − to earth at most ${DEAD_VOLTAGE} V. Current that remains with the disconnect open is circulating: open nothing, wait for low light, call a specialist.`,
	source: `common practice; ${NO_CURRENT} A and ${DEAD_VOLTAGE} V: Zembo default`
};

const CONNECTOR: Caution = {
	words:
		'Never open a connector under load. 0 V at the end of an open string is not dead: the full string voltage is across the break, and each half may be live to earth. Touch neither side.',
	source: 'common practice'
};

const ROOF: Caution = {
	words:
		'Use ladder and fall protection. Identify fragile roof and skylights. Stop for lightning, wind or wet. Measure frame-to-earth voltage before touching metal. Never spray live or broken glass.',
	source: 'common practice'
};

/**
 * The fixed cautions of an exposure.
 *
 * @param coldVolts the most the place can show, V (see {@link coldCeiling})
 */
export function cautionsFor(exposure: Exposure, coldVoltage: number): readonly Caution[] {
	switch (exposure) {
		case 'closed-cover':
			return [COMMON];
		case 'open-cover-live':
			return [COMMON, TEST_EQUIPMENT(coldVoltage)];
		case 'open-cover-dead':
			return [COMMON, TEST_EQUIPMENT(coldVoltage), DEAD];
		case 'joint-dead':
			return [COMMON, TEST_EQUIPMENT(coldVoltage), DEAD, CONNECTOR];
		case 'roof':
			return [COMMON, ROOF];
	}
}

/** Whether the test is behind a cover or in a joint. */
export function opensSomething(exposure: Exposure): boolean {
	return (
		exposure === 'open-cover-live' || exposure === 'open-cover-dead' || exposure === 'joint-dead'
	);
}

/** A reversed string is a danger of its own, before any test. */
export const REVERSED_STRING: Caution = {
	words:
		'Treat this string as reversed until measured otherwise. Do not connect it: in parallel with other strings about twice Voc is across its fuse. If it is already connected, leave the DC switch closed until the current is below 0.5 A (unless the manufacturer states otherwise), then go on.',
	source: 'common practice; 0.5 A: Zembo default'
};

/** Current that flows from string to string. */
export const CIRCULATING: Caution = {
	words:
		'Current that remains with the disconnect open is circulating. Open no fuse, connector or switch. Wait for low light, measure again, call a specialist.',
	source: 'common practice'
};

/** A blown string fuse is a message. */
export const BLOWN_FUSE: Caution = {
	words:
		'A blown string fuse usually indicates reverse current. Before replacing it, check polarity, open-circuit voltage, insulation resistance and shorted modules of that string.',
	source: 'common practice'
};

/** A string with no volts. */
export const OPEN_STRING: Caution = {
	words: 'No voltage is not dead: somewhere on this string its full voltage is across a break.',
	source: 'common practice'
};

/** A conductor that touches metal. */
export const EARTH_FAULT: Caution = {
	words:
		'Treat both poles and all metal as live to earth until measured. Find the fault before replacing the ground-fault fuse.',
	source: 'common practice'
};

/** Cautions that stand while a cause is likely, whatever is done there. */
const STANDING: Readonly<Record<string, Caution>> = {
	'connector-reversed': REVERSED_STRING,
	'module-open': OPEN_STRING,
	'connector-open': OPEN_STRING,
	'fuse-blown': BLOWN_FUSE,
	'earth-fault': EARTH_FAULT
};

/** The cautions of the causes in play at one place, each once. */
export function generalCautions(codes: readonly string[]): readonly Caution[] {
	return [...new Set(codes.flatMap((code) => STANDING[code] ?? []))];
}

/** Highest factor of the cold-voltage table. */
const COLDEST_FACTOR = 1.25;

/**
 * The most a string can show in hard frost, V: label Voc times 1.25 (NEC Table 690.7(A), -36 to
 * -40 degC, from memory).
 */
export function coldCeiling(labelVoc: number, modules: number): number {
	return labelVoc * modules * COLDEST_FACTOR;
}
