import type { Place, Quantity } from '$core/visit';
import { refuse, type Result, succeed } from '$core/units';
import type { InstrumentAddress } from './address';
import { openLine, ERRORS, type InstrumentError, type TextLine } from './line';

export const MEASURES = {
	'dc-voltage': 'MEAS:VOLT:DC?',
	'dc-current': 'MEAS:CURR:DC?',
	resistance: 'MEAS:RES?'
} as const;
export type Measures = keyof typeof MEASURES;

/** What a meter shows once it stands still. */
export interface StableReading {
	/** Mean of the takes that agree, V, A or ohm. */
	readonly value: number;
	/** Greatest less least of them. */
	readonly spread: number;
	readonly takes: number;
	readonly identity: string;
}

/** Takes in a row that must agree, and how closely: the larger of a share and an amount; judgement. */
const AGREE = { takes: 3, share: 0.002, amount: 0.02 } as const;
const MOST_MEASUREMENTS = 14;
/** Maker, model, serial number and firmware between commas (IEEE 488.2, 10.14; not verified). */
const IDENTITY = /^[\x20-\x2b\x2d-\x7e]{1,60}(?:,[\x20-\x2b\x2d-\x7e]{0,60}){1,5}$/;
/** What SCPI instruments show where they are over range (SCPI-99, 7.2.1.4: 9.9E37). */
const OVER_RANGE = 9e37;

/** Where the probes of a simulated meter are put, which cannot know where a person stands. */
export interface Probe {
	readonly label: string;
	readonly quantity: Quantity;
	readonly kind: Place['kind'];
}

/** Reads a meter by SCPI over TCP until three takes in a row agree. */
export async function readMeter(
	address: InstrumentAddress,
	measures: Measures,
	probe: Probe | null
): Promise<Result<StableReading, InstrumentError>> {
	const line = await openLine(address);
	if (!line.ok) return line;
	try {
		const identity = await line.value.ask('*IDN?');
		if (!identity.ok) return identity;
		if (!IDENTITY.test(identity.value)) return refuse(ERRORS.garbage());
		if (probe && identity.value.includes('SIMULATED')) {
			const put = await line.value.ask(`SIM:PROB ${probe.label},${probe.quantity}`);
			if (!put.ok) return put;
		}
		return await stable(line.value, MEASURES[measures], identity.value);
	} finally {
		line.value.close();
	}
}

async function stable(
	line: TextLine,
	command: string,
	identity: string
): Promise<Result<StableReading, InstrumentError>> {
	const takes: number[] = [];
	while (takes.length < MOST_MEASUREMENTS) {
		const said = await line.ask(command);
		if (!said.ok) return said;
		const value = Number(said.value);
		if (said.value === '' || !Number.isFinite(value)) return refuse(ERRORS.garbage());
		if (Math.abs(value) >= OVER_RANGE) {
			return refuse({ state: 'garbage', words: 'The meter is over its range, or on another one.' });
		}
		takes.push(value);
		const last = takes.slice(-AGREE.takes);
		const spread = Math.max(...last) - Math.min(...last);
		const mean = last.reduce((sum, take) => sum + take, 0) / last.length;
		if (
			last.length === AGREE.takes &&
			spread <= Math.max(AGREE.amount, AGREE.share * Math.abs(mean))
		) {
			return succeed({ value: rounded(mean), spread, takes: takes.length, identity });
		}
	}
	return refuse({
		state: 'garbage',
		words: `The meter did not stand still in ${MOST_MEASUREMENTS} takes: hold the probes firm, or wait for steady sun.`
	});
}

/** Five digits, as such meters have. */
const rounded = (value: number) => Number(value.toPrecision(5));
