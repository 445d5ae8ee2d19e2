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
	'Local code, the makers’ instructions and the licensed person decide. Zembo says what has been measured, never that a thing may be touched.';

/** Stands beside a test behind a cover or in a joint. */
export const MAKE_SAFE_FIRST =
	'This test needs an opened cover or joint: complete the steps of “Isolation” before it. A joint is opened only where the current is proved 0 A.';

const COMMON: Caution = {
	words:
		'Two people or a call-in. Prove the meter on a known source before and after. The sun cannot be switched off: the string side of every fuse and all module leads stay live in daylight.',
	source: 'common practice'
};

const TEST_EQUIPMENT = (ceiling: number): Caution => ({
	words: `Meter, clamp, leads and probes each rated for at least ${Math.round(ceiling)} V DC and CAT III (label Voc of the string x 1.25, hard frost); leads in V and COM; insulating gloves with leather protectors, eye and arc protection by the site’s assessment. A non-contact tester does not see DC.`,
	source:
		'rating: NEC Table 690.7(A), factor at -36 to -40 degC, from memory; the rest common practice'
});

const DEAD: Caution = {
	words:
		'Dead means proved: disconnect off, locked and tagged; 0 A from a clamp that was zeroed, stands round one conductor and has just shown a known DC current; the capacitors’ time waited (5 minutes if unknown); then + to -, + to earth and - to earth read 0 V. Current that stays with the disconnect open is circulating: open nothing, wait for low light, call a specialist.',
	source: 'common practice; 0.2 A as the limit of “no current” is judgement'
};

const JOINT: Caution = {
	words:
		'A connector is never opened under load. 0 V at the end of an open string is not dead: the whole string’s volts stand across the break, and each half may be live to earth. Touch neither side.',
	source: 'common practice'
};

const ROOF: Caution = {
	words:
		'Ladder and fall protection, fragile roof and skylights known, no lightning, wind or wet. Read rack and frames for voltage before a hand goes on them. Never spray live or broken glass.',
	source: 'common practice'
};

/**
 * The fixed cautions of an exposure.
 *
 * @param coldVolts the most the place can show, V (see {@link coldCeiling})
 */
export function cautionsFor(exposure: Exposure, coldVolts: number): readonly Caution[] {
	switch (exposure) {
		case 'closed-cover':
			return [COMMON];
		case 'open-cover-live':
			return [COMMON, TEST_EQUIPMENT(coldVolts)];
		case 'open-cover-dead':
			return [COMMON, TEST_EQUIPMENT(coldVolts), DEAD];
		case 'joint-dead':
			return [COMMON, TEST_EQUIPMENT(coldVolts), DEAD, JOINT];
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
		'Treat this string as reversed until it is proved otherwise. Close nothing: beside parallel strings about twice Voc stands across its fuse. If it is connected already, leave the DC switch closed until the current is under 0.5 A (unless the maker says otherwise), then proceed.',
	source: 'common practice; 0.5 A is judgement'
};

/** Current that flows from string to string. */
export const CIRCULATING: Caution = {
	words:
		'Current that does not go to 0 A with the disconnect open is circulating: open no fuse, connector or switch. Wait for low light, read again, call a specialist.',
	source: 'common practice'
};

/** A blown string fuse is a message. */
export const BLOWN_FUSE: Caution = {
	words:
		'A blown string fuse usually means reverse current. Before it is replaced: polarity, open-circuit volts, insulation and shorted modules of that string.',
	source: 'common practice'
};

/** A string with no volts. */
export const OPEN_STRING: Caution = {
	words: 'No volts is not dead: somewhere on this string its full voltage stands across a break.',
	source: 'common practice'
};

/** A conductor that touches metal. */
export const EARTH_FAULT: Caution = {
	words:
		'Treat both poles and all metal as live to earth until measured. The earth-fault fuse is not replaced before the fault is found.',
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
