/** A place a fault may have. */
export type PlaceKind = 'section' | 'module' | 'joint' | 'string' | 'strings' | 'bus' | 'visit';

/** What the size of a fault means. */
export interface Scale {
	/** "ohm", "of the light lost". */
	readonly unit: string;
	readonly least: number;
	readonly most: number;
	/** Where none is given. */
	readonly usual: number;
}

const RESISTANCE: Scale = { unit: 'ohm', least: 0.01, most: 1000, usual: 3 };
const RESISTANCE_TO_EARTH: Scale = { unit: 'ohm to earth', least: 0.001, most: 1e8, usual: 1000 };
const SHARE_LOST: Scale = { unit: 'of the irradiance lost', least: 0, most: 1, usual: 0.5 };
const COUNT: Scale = { unit: 'modules', least: 1, most: 100, usual: 1 };
const POWER: Scale = { unit: 'W', least: 0, most: 1e7, usual: 1000 };

interface Entry {
	/** As the start of a sentence. */
	readonly words: string;
	readonly place: PlaceKind;
	readonly scale: Scale | null;
}

/**
 * Every code of the catalogue: stable, as it appears in files, addresses and exports. What each does
 * to the circuit stands in `effects.ts`.
 */
export const FAULTS = {
	'bypass-diode-shorted': { words: 'Bypass diode shorted', place: 'section', scale: null },
	'section-resistive': {
		words: 'High resistance in a substring',
		place: 'section',
		scale: RESISTANCE
	},
	'bypass-diode-open': { words: 'Bypass diode open', place: 'section', scale: null },
	'section-open': { words: 'Substring open-circuit, bypassed', place: 'section', scale: null },
	'module-open': { words: 'Module open-circuit', place: 'module', scale: null },
	'module-shorted': { words: 'Module shorted or bypassed', place: 'module', scale: null },
	'module-missing': { words: 'Fewer modules than recorded', place: 'module', scale: COUNT },
	'module-extra': { words: 'More modules than recorded', place: 'module', scale: COUNT },
	'module-reversed': { words: 'Module reverse-connected', place: 'module', scale: null },
	'module-degraded': {
		words: 'Module degraded',
		place: 'module',
		scale: { ...SHARE_LOST, unit: 'of its current lost', usual: 0.15 }
	},
	'module-pid': {
		words: 'PID (potential-induced degradation)',
		place: 'module',
		scale: { unit: 'ohm across the module', least: 1, most: 1e5, usual: 60 }
	},
	'module-wrong-type': { words: 'Module of another type', place: 'module', scale: null },
	'hot-cell': {
		words: 'Hot or shaded cell',
		place: 'section',
		scale: { ...SHARE_LOST, usual: 0.8 }
	},
	soiling: {
		words: 'Soiling on this string',
		place: 'string',
		scale: { ...SHARE_LOST, usual: 0.1 }
	},
	shade: { words: 'Shade', place: 'section', scale: SHARE_LOST },
	'connector-open': { words: 'Connector open', place: 'joint', scale: null },
	'connector-resistive': { words: 'High-resistance connector', place: 'joint', scale: RESISTANCE },
	'connector-reversed': {
		words: 'String reverse-connected at the combiner or inverter',
		place: 'string',
		scale: null
	},
	'cable-damaged': {
		words: 'Cable insulation damaged',
		place: 'joint',
		scale: RESISTANCE_TO_EARTH
	},
	'fuse-blown': { words: 'String fuse blown', place: 'string', scale: null },
	'fuse-wrong-rating': {
		words: 'String fuse with wrong rating',
		place: 'string',
		scale: { unit: 'A', least: 1, most: 1000, usual: 30 }
	},
	'blocking-diode-open': { words: 'Blocking diode open', place: 'string', scale: null },
	'blocking-diode-shorted': { words: 'Blocking diode shorted', place: 'string', scale: null },
	'disconnect-open': { words: 'Switch pole fails to close', place: 'string', scale: null },
	'disconnect-welded': { words: 'Switch pole fails to open', place: 'string', scale: null },
	'rsd-no-signal': { words: 'Shutdown devices without signal', place: 'bus', scale: null },
	'rsd-device-off': { words: 'Shutdown device failed off', place: 'module', scale: null },
	'rsd-device-stuck-on': {
		words: 'Shutdown device fails to shut down',
		place: 'module',
		scale: null
	},
	'micro-inverter-dead': { words: 'Micro-inverter failed', place: 'module', scale: null },
	'optimiser-dead': { words: 'Optimiser failed', place: 'module', scale: null },
	'earth-fault': { words: 'Earth fault', place: 'joint', scale: RESISTANCE_TO_EARTH },
	'gfdi-fuse-blown': { words: 'Ground-fault fuse of the inverter open', place: 'bus', scale: null },
	'strings-swapped': { words: 'Two strings interchanged', place: 'strings', scale: null },
	'unequal-parallel': {
		words: 'Strings of unequal length on one input',
		place: 'module',
		scale: COUNT
	},
	'inverter-no-ac': { words: 'No AC supply at inverter', place: 'bus', scale: null },
	'mppt-mode-wrong': {
		words: 'MPPT stuck, or its mode does not match the wiring',
		place: 'bus',
		scale: { unit: 'V', least: 0, most: 2000, usual: 300 }
	},
	'arc-fault': { words: 'AFCI trip; arc fault', place: 'bus', scale: null },
	'spd-failed': { words: 'SPD leaking to earth', place: 'bus', scale: RESISTANCE_TO_EARTH },
	'moisture-intermittent': {
		words: 'Intermittent leakage with moisture',
		place: 'joint',
		scale: { ...RESISTANCE_TO_EARTH, usual: 2e5 }
	},
	'inverter-derating': { words: 'Inverter derating', place: 'bus', scale: POWER },
	clipping: { words: 'Inverter clipping (not a fault)', place: 'bus', scale: POWER },
	'controller-mismatch': {
		words: 'Charge controller does not match the array',
		place: 'bus',
		scale: null
	},
	'record-wrong': { words: 'Record wrong', place: 'visit', scale: null },
	'reading-wrong': { words: 'Reading wrong', place: 'visit', scale: null },
	'conditions-wrong': { words: 'Stated conditions wrong', place: 'visit', scale: null }
} as const satisfies Readonly<Record<string, Entry>>;

export type FaultCode = keyof typeof FAULTS;
export const FAULT_CODES = Object.keys(FAULTS) as FaultCode[];
