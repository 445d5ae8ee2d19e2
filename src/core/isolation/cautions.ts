import { DEAD_VOLTAGE, NO_CURRENT } from '../assessment';
import { type IsolationMessage, PRACTICE, say } from './messages';

/** How a test exposes the person who does it. */
export type Exposure =
	| 'closed-cover'
	| 'open-cover-live'
	| 'open-cover-dead'
	| 'joint-dead'
	| 'roof';

export const exposureName = (exposure: Exposure): IsolationMessage =>
	say(`isolation.exposure.${exposure}`);

/** A caution that stands beside the work it belongs to. */
export interface Caution {
	readonly text: IsolationMessage;
	/** Clause, or that it is common practice. */
	readonly source: IsolationMessage;
}

/** Stands wherever a caution or a limit is shown. */
export const WHO_DECIDES = say('isolation.who-decides');

/** Stands beside a test behind a cover or in a joint. */
export const ISOLATE_FIRST = say('isolation.first');

const COMMON: Caution = { text: say('isolation.caution.common'), source: PRACTICE };

const testEquipmentFor = (ceiling: number): Caution => ({
	text: say('isolation.caution.test-equipment', { voltage: Math.round(ceiling) }),
	source: say('isolation.source.cold-table')
});

const DEAD: Caution = {
	text: say('isolation.caution.dead', { current: NO_CURRENT, voltage: DEAD_VOLTAGE }),
	source: say('isolation.source.dead', { current: NO_CURRENT, voltage: DEAD_VOLTAGE })
};

const CONNECTOR: Caution = { text: say('isolation.caution.connector'), source: PRACTICE };

const ROOF: Caution = { text: say('isolation.caution.roof'), source: PRACTICE };

/**
 * The fixed cautions of an exposure.
 *
 * @param coldVoltage the most the place can show, V (see {@link coldCeiling})
 */
export function cautionsFor(exposure: Exposure, coldVoltage: number): readonly Caution[] {
	switch (exposure) {
		case 'closed-cover':
			return [COMMON];
		case 'open-cover-live':
			return [COMMON, testEquipmentFor(coldVoltage)];
		case 'open-cover-dead':
			return [COMMON, testEquipmentFor(coldVoltage), DEAD];
		case 'joint-dead':
			return [COMMON, testEquipmentFor(coldVoltage), DEAD, CONNECTOR];
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
	text: say('isolation.caution.reversed-string'),
	source: say('isolation.source.half-ampere')
};

/** Current that flows from string to string. */
export const CIRCULATING: Caution = {
	text: say('isolation.caution.circulating'),
	source: PRACTICE
};

/** A blown string fuse is a message. */
export const BLOWN_FUSE: Caution = { text: say('isolation.caution.blown-fuse'), source: PRACTICE };

/** A string with no volts. */
export const OPEN_STRING: Caution = {
	text: say('isolation.caution.open-string'),
	source: PRACTICE
};

/** A conductor that touches metal. */
export const EARTH_FAULT: Caution = {
	text: say('isolation.caution.earth-fault'),
	source: PRACTICE
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
