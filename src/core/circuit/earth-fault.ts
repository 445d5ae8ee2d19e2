import type { BusCircuit, EarthConnection } from './description';
import { solveBus, sourceOf } from './state';

/** What a meter shows from each pole of the bus to earth, taken one after the other. */
export interface EarthVolts {
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
export function earthVolts(bus: BusCircuit, meter: number): EarthVolts {
	const isolated: BusCircuit = { ...bus, load: { kind: 'open' } };
	const read = (at: 'bus+' | 'bus-') => {
		const probe: EarthConnection = { at, resistance: meter };
		const { volts, earth } = solveBus({ ...isolated, earth: [...(bus.earth ?? []), probe] });
		return at === 'bus+' ? volts - earth! : -earth!;
	};
	return {
		positive: read('bus+'),
		negative: read('bus-'),
		open: sourceOf(isolated).openVolts
	};
}

/** Where a single earth fault lies, or why that cannot be said. */
export type EarthFaultPlace =
	| {
			readonly found: true;
			/** Modules up from the negative end. */
			readonly modules: number;
			/** Standard uncertainty of that, modules. */
			readonly doubt: number;
	  }
	| { readonly found: false; readonly why: string };

/**
 * A single low-resistance fault of an unearthed string splits its volts: it lies
 * Vneg/(Vpos + Vneg) of the modules up from the negative end (common practice). The split is asked only
 * where both parts add up to the open-circuit volts within the band: a fault of high resistance, or
 * several, do not.
 *
 * @param read what the meter showed, V
 * @param doubt standard uncertainty of one of the readings, V
 */
export function locateEarthFault(
	{ positive, negative, open }: EarthVolts,
	modules: number,
	doubt: number
): EarthFaultPlace {
	const up = Math.abs(positive);
	const down = Math.abs(negative);
	if (!(open > 0)) return { found: false, why: 'The string gives no volts to split.' };
	if (Math.abs(up + down - open) > 2 * doubt * Math.sqrt(3)) {
		return {
			found: false,
			why: `The two readings add up to ${(up + down).toFixed(1)} V, not to the ${open.toFixed(1)} V of the string: the fault is of high resistance, or there are several.`
		};
	}
	const total = up + down;
	const share = down / total;
	return {
		found: true,
		modules: share * modules,
		doubt: (modules * doubt * Math.hypot(share, 1 - share)) / total
	};
}
