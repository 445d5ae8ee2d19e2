import type { BusCircuit, EarthConnection } from './description';
import { METER_RESISTANCE } from './parts';
import { solveBus, sourceOf } from './state';

/** What a meter shows from each pole of the bus to earth, taken one after the other. */
export interface EarthVoltage {
	/** Positive pole to earth, V. */
	readonly positive: number;
	/** Negative pole to earth, V; below 0 as a rule. */
	readonly negative: number;
	/** Pole to pole, V. */
	readonly open: number;
}

/**
 * Volts of both poles to earth at open circuit, each with the meter as a path of its own.
 *
 * @param meter resistance of the meter, ohm
 */
export function earthVoltage(bus: BusCircuit, meter: number): EarthVoltage {
	const isolated: BusCircuit = { ...bus, load: { kind: 'open' } };
	const read = (at: 'bus+' | 'bus-') => {
		const probe: EarthConnection = { at, resistance: meter };
		const { volts: voltage, earth } = solveBus({
			...isolated,
			earth: [...(bus.earth ?? []), probe]
		});
		return at === 'bus+' ? voltage - earth! : -earth!;
	};
	return {
		positive: read('bus+'),
		negative: read('bus-'),
		open: sourceOf(isolated).openVoltage
	};
}

/** Where a single leak to earth lies and how large it is, or why that cannot be said. */
export type EarthFaultPlace =
	| {
			readonly found: true;
			/** Modules up from the negative end. */
			readonly modules: number;
			/** Standard uncertainty of that, modules. */
			readonly uncertainty: number;
			/** Of the leak, ohm: best value, and what it lies above and below with 95 %; at least 0. */
			readonly resistance: LeakResistance;
	  }
	| { readonly found: false; readonly why: string };

export interface LeakResistance {
	readonly value: number;
	readonly least: number;
	/** Infinity where the readings leave room for no leak at all. */
	readonly most: number;
}

/**
 * A single leak of any resistance R at a share u of the voltage, with a meter of resistance Rm: the two
 * readings are V+ = (1 - u) V Rm/(Rm + R) and V- = -u V Rm/(Rm + R). Their ratio gives the place whatever R
 * is, their sum gives R. Ohm's law; the leaks of healthy insulation act as one leak of megohms.
 *
 * @param read what the meter showed, V
 * @param uncertainty standard uncertainty of one of the readings, V
 * @param meter resistance of the meter, ohm
 */
export function locateEarthFault(
	{ positive, negative, open }: EarthVoltage,
	modules: number,
	uncertainty: number,
	meter = METER_RESISTANCE
): EarthFaultPlace {
	const reversed = open < 0 ? -1 : 1;
	const voltage = Math.abs(open);
	const up = reversed * positive;
	const down = -reversed * negative;
	if (!(voltage > 0)) return { found: false, why: 'The string gives no voltage to split.' };
	if (up < -3 * uncertainty || down < -3 * uncertainty) {
		return {
			found: false,
			why: 'No leak gives both readings this polarity: repeat both pole-to-earth measurements.'
		};
	}
	const total = Math.max(up, 0) + Math.max(down, 0);
	const both = uncertainty * Math.SQRT2;
	if (total > voltage + 3 * Math.hypot(both, uncertainty)) {
		return {
			found: false,
			why: `The two readings add up to ${total.toFixed(1)} V, more than the ${voltage.toFixed(1)} V of the string: repeat them.`
		};
	}
	if (total < 3 * both) return { found: false, why: 'Neither pole is held to earth.' };
	const share = Math.max(down, 0) / total;
	const resistance = (sum: number) =>
		sum > 0 ? Math.max(0, meter * (voltage / sum - 1)) : Infinity;
	return {
		found: true,
		modules: share * modules,
		uncertainty: (modules * uncertainty * Math.hypot(share, 1 - share)) / total,
		resistance: {
			value: resistance(total),
			least: resistance(total + 2 * Math.hypot(both, uncertainty)),
			most: resistance(total - 2 * Math.hypot(both, uncertainty))
		}
	};
}

/** "about 320 kΩ", "less than 90 kΩ": as exact as the readings allow. */
export function leakWords({ value, least, most }: LeakResistance): string {
	const shown = (resistance: number) =>
		resistance >= 1e6
			? `${Number((resistance / 1e6).toPrecision(2))} MΩ`
			: `${Number((resistance / 1e3).toPrecision(2))} kΩ`;
	if (least <= 0) return Number.isFinite(most) ? `less than ${shown(most)}` : 'unknown size';
	return `about ${shown(value)}`;
}
