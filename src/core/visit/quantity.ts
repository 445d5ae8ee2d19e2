import type { Place } from './place';

/** Quantities of a string that the circuit predicts from light, heat and the comparable strings. */
export const STRING_QUANTITIES = [
	'open-circuit-voltage',
	'operating-current',
	'short-circuit-current'
] as const;
export type StringQuantity = (typeof STRING_QUANTITIES)[number];

/** Everything that is measured at an array. */
export const QUANTITIES = [
	...STRING_QUANTITIES,
	'operating-voltage',
	'positive-to-earth',
	'negative-to-earth',
	'insulation-resistance',
	'residual-current',
	'fuse-resistance',
	'fuse-voltage',
	'dc-voltage',
	'pole-resistance',
	'ac-voltage',
	'ac-power',
	'lamp',
	'section-voltage',
	'diode-forward',
	'diode-reverse',
	'stretch-voltage',
	'joint-rise',
	'device-output',
	'module-count',
	'shade-seen',
	'cleaning-gain',
	'label-power',
	'fuse-rating',
	'blocking-diode-forward',
	'blocking-diode-reverse',
	'volts-after-shutdown',
	'cover-current',
	'joint-resistance',
	'insulation-wet',
	'stretch-step',
	'unit-power'
] as const;
export type Quantity = (typeof QUANTITIES)[number];

export type Unit = 'V' | 'A' | 'ohm' | 'Mohm' | 'W' | 'K' | '%' | '';

interface QuantityFacts {
	readonly words: string;
	/** As it stands beside a figure. */
	readonly symbol: string;
	readonly unit: Unit;
	/** Kinds of places where it can be read. */
	readonly places: readonly Place['kind'][];
	/** What the meter is set to, and where its leads go. */
	readonly meter: string;
	/** Beyond these a figure is a slip of the finger. */
	readonly limits: { readonly min: number; readonly max: number };
}

const VOLTAGE = { min: -30_000, max: 30_000 };
const CURRENT = { min: -2000, max: 2000 };
const DC_VOLTAGE = 'Meter on DC voltage, red lead on +';

/** What one has to know of each quantity to read it. */
export const QUANTITY_FACTS: Readonly<Record<Quantity, QuantityFacts>> = {
	'open-circuit-voltage': {
		words: 'Open-circuit voltage',
		symbol: 'Voc',
		unit: 'V',
		places: ['string', 'module'],
		meter: DC_VOLTAGE,
		limits: VOLTAGE
	},
	'operating-current': {
		words: 'Operating current',
		symbol: 'I',
		unit: 'A',
		places: ['string'],
		meter: 'DC clamp meter, zeroed, round one conductor',
		limits: CURRENT
	},
	'short-circuit-current': {
		words: 'Short-circuit current',
		symbol: 'Isc',
		unit: 'A',
		places: ['string', 'module'],
		meter: 'Through a DC-rated switch or a tester; never the A input of a meter at a combiner',
		limits: CURRENT
	},
	'operating-voltage': {
		words: 'Operating voltage',
		symbol: 'V',
		unit: 'V',
		places: ['string'],
		meter: DC_VOLTAGE,
		limits: VOLTAGE
	},
	'positive-to-earth': {
		words: 'Positive-to-earth voltage',
		symbol: 'V+e',
		unit: 'V',
		places: ['string'],
		meter: 'Meter on DC voltage, 10 MΩ or more; black lead on earth',
		limits: VOLTAGE
	},
	'negative-to-earth': {
		words: 'Negative-to-earth voltage',
		symbol: 'V-e',
		unit: 'V',
		places: ['string'],
		meter: 'Meter on DC voltage, 10 MΩ or more; black lead on earth',
		limits: VOLTAGE
	},
	'insulation-resistance': {
		words: 'Insulation resistance',
		symbol: 'Riso',
		unit: 'Mohm',
		places: ['string', 'array'],
		meter: 'Insulation tester at the voltage that the limit requires, negative first',
		limits: { min: 0, max: 1e6 }
	},
	'residual-current': {
		words: 'No-load current',
		symbol: 'I0',
		unit: 'A',
		places: ['string'],
		meter: 'DC clamp meter, zeroed and just verified, round one conductor',
		limits: CURRENT
	},
	'fuse-resistance': {
		words: 'Fuse resistance',
		symbol: 'R',
		unit: 'ohm',
		places: ['fuse', 'part'],
		meter: 'Resistance, fuse out of its holder',
		limits: { min: 0, max: 1e9 }
	},
	'fuse-voltage': {
		words: 'Voltage across fuse',
		symbol: 'Vf',
		unit: 'V',
		places: ['fuse'],
		meter: 'DC voltage across the fuse while current flows',
		limits: VOLTAGE
	},
	'dc-voltage': {
		words: 'DC voltage',
		symbol: 'V',
		unit: 'V',
		places: ['part', 'array'],
		meter: DC_VOLTAGE,
		limits: VOLTAGE
	},
	'pole-resistance': {
		words: 'Pole resistance',
		symbol: 'R',
		unit: 'ohm',
		places: ['part'],
		meter: 'Resistance through the closed pole, circuit proved dead',
		limits: { min: 0, max: 1e9 }
	},
	'ac-voltage': {
		words: 'AC voltage',
		symbol: 'V~',
		unit: 'V',
		places: ['part', 'module'],
		meter: 'Meter on AC voltage',
		limits: { min: 0, max: 2000 }
	},
	'ac-power': {
		words: 'AC power',
		symbol: 'P',
		unit: 'W',
		places: ['part'],
		meter: 'The inverter’s display',
		limits: { min: -1e7, max: 1e7 }
	},
	lamp: {
		words: 'Indicator',
		symbol: '',
		unit: '',
		places: ['part'],
		meter: 'Look: 1 for on, 0 for off',
		limits: { min: 0, max: 1 }
	},
	'section-voltage': {
		words: 'Substring voltage',
		symbol: 'Vs',
		unit: 'V',
		places: ['module'],
		meter: 'DC voltage between the bars of the junction box',
		limits: { min: -200, max: 200 }
	},
	'diode-forward': {
		words: 'Bypass diode, forward',
		symbol: 'Vd',
		unit: 'V',
		places: ['module'],
		meter: 'Diode test, module covered',
		limits: { min: 0, max: 10 }
	},
	'diode-reverse': {
		words: 'Bypass diode, reverse',
		symbol: 'Vr',
		unit: 'V',
		places: ['module'],
		meter: 'Diode test, leads reversed, module covered; enter “OL” where the meter displays it',
		limits: { min: 0, max: 10 }
	},
	'stretch-voltage': {
		words: 'Open-circuit voltage of a string segment',
		symbol: 'Vx',
		unit: 'V',
		places: ['stretch'],
		meter: DC_VOLTAGE,
		limits: VOLTAGE
	},
	'joint-rise': {
		words: 'Connector temperature rise',
		symbol: 'ΔT',
		unit: 'K',
		places: ['joint'],
		meter: 'Infrared, string under load, same angle for all connectors',
		limits: { min: -50, max: 400 }
	},
	'device-output': {
		words: 'Device output voltage',
		symbol: 'Vo',
		unit: 'V',
		places: ['module'],
		meter: DC_VOLTAGE,
		limits: VOLTAGE
	},
	'module-count': {
		words: 'Module count',
		symbol: 'n',
		unit: '',
		places: ['string'],
		meter: 'Count from the ground or from photographs; follow the leads',
		limits: { min: 0, max: 200 }
	},
	'shade-seen': {
		words: 'Shade on string',
		symbol: '',
		unit: '',
		places: ['string'],
		meter: 'Check the full string: 1 for shade, 0 for none',
		limits: { min: 0, max: 1 }
	},
	'cleaning-gain': {
		words: 'Current gain after cleaning',
		symbol: '+I',
		unit: '%',
		places: ['string', 'array'],
		meter: 'Clamp before and after, at the same irradiance',
		limits: { min: -50, max: 400 }
	},
	'label-power': {
		words: 'Nameplate power',
		symbol: 'Pl',
		unit: 'W',
		places: ['string', 'module'],
		meter: 'Read the nameplate on the back',
		limits: { min: 1, max: 2000 }
	},
	'fuse-rating': {
		words: 'Fuse rating',
		symbol: 'In',
		unit: 'A',
		places: ['fuse'],
		meter: 'Read it from the fuse',
		limits: { min: 0.1, max: 2000 }
	},
	'blocking-diode-forward': {
		words: 'Blocking diode, forward',
		symbol: 'Vd',
		unit: 'V',
		places: ['string'],
		meter: 'Diode test, string isolated; enter “OL” where the meter displays it',
		limits: { min: 0, max: 10 }
	},
	'blocking-diode-reverse': {
		words: 'Blocking diode, reverse',
		symbol: 'Vr',
		unit: 'V',
		places: ['string'],
		meter: 'Diode test, leads reversed, string isolated; enter “OL” where the meter displays it',
		limits: { min: 0, max: 10 }
	},
	'volts-after-shutdown': {
		words: 'Voltage after shutdown',
		symbol: 'Vsd',
		unit: 'V',
		places: ['string'],
		meter: 'Meter on DC voltage, after the time that the code allows',
		limits: VOLTAGE
	},
	'cover-current': {
		words: 'Current with substring covered',
		symbol: 'Ic',
		unit: 'A',
		places: ['module'],
		meter: 'Clamp, string under load; cover the whole substring for ten seconds at most',
		limits: CURRENT
	},
	'joint-resistance': {
		words: 'Connector resistance',
		symbol: 'Rj',
		unit: 'ohm',
		places: ['joint'],
		meter: 'Resistance through the mated connector, both ends proved dead',
		limits: { min: 0, max: 1e9 }
	},
	'insulation-wet': {
		words: 'Insulation resistance, wet',
		symbol: 'Riso wet',
		unit: 'Mohm',
		places: ['string', 'array'],
		meter:
			'String isolated and proved dead. Insulation tester as for the dry test, after wetting or in dew',
		limits: { min: 0, max: 1e6 }
	},
	'stretch-step': {
		words: 'I-V curve of a string segment, lowest step',
		symbol: 'Istep',
		unit: '%',
		places: ['stretch'],
		meter:
			'Curve tracer on this segment: current of the lowest step over its short-circuit current; 100 where there is no step',
		limits: { min: 0, max: 110 }
	},
	'unit-power': {
		words: 'Unit AC power',
		symbol: 'Pu',
		unit: 'W',
		places: ['module'],
		meter: 'The units’ list of the gateway or its application',
		limits: { min: -100, max: 10_000 }
	}
};

export function isStringQuantity(quantity: Quantity): quantity is StringQuantity {
	return (STRING_QUANTITIES as readonly Quantity[]).includes(quantity);
}
