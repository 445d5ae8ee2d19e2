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

const VOLTS = { min: -30_000, max: 30_000 };
const AMPS = { min: -2000, max: 2000 };
const DC_VOLTS = 'Meter on DC volts, red lead on +';

/** What one has to know of each quantity to read it. */
export const QUANTITY_FACTS: Readonly<Record<Quantity, QuantityFacts>> = {
	'open-circuit-voltage': {
		words: 'Open circuit',
		symbol: 'Voc',
		unit: 'V',
		places: ['string', 'module'],
		meter: DC_VOLTS,
		limits: VOLTS
	},
	'operating-current': {
		words: 'Running current',
		symbol: 'I',
		unit: 'A',
		places: ['string'],
		meter: 'DC clamp, zeroed, round one conductor',
		limits: AMPS
	},
	'short-circuit-current': {
		words: 'Short circuit',
		symbol: 'Isc',
		unit: 'A',
		places: ['string', 'module'],
		meter: 'Through a DC-rated switch or a tester; never a meter’s A input on a combiner',
		limits: AMPS
	},
	'operating-voltage': {
		words: 'Running volts',
		symbol: 'V',
		unit: 'V',
		places: ['string'],
		meter: DC_VOLTS,
		limits: VOLTS
	},
	'positive-to-earth': {
		words: 'Positive to earth',
		symbol: 'V+e',
		unit: 'V',
		places: ['string'],
		meter: 'Meter on DC volts, 10 Mohm or more; black lead on earth',
		limits: VOLTS
	},
	'negative-to-earth': {
		words: 'Negative to earth',
		symbol: 'V-e',
		unit: 'V',
		places: ['string'],
		meter: 'Meter on DC volts, 10 Mohm or more; black lead on earth',
		limits: VOLTS
	},
	'insulation-resistance': {
		words: 'Insulation',
		symbol: 'Riso',
		unit: 'Mohm',
		places: ['string', 'array'],
		meter: 'Insulation tester at the volts that the limit names, negative first',
		limits: { min: 0, max: 1e6 }
	},
	'residual-current': {
		words: 'Current with the switch off',
		symbol: 'I0',
		unit: 'A',
		places: ['string'],
		meter: 'DC clamp, zeroed, round one conductor, just shown to work',
		limits: AMPS
	},
	'fuse-resistance': {
		words: 'Fuse, resistance',
		symbol: 'R',
		unit: 'ohm',
		places: ['fuse', 'part'],
		meter: 'Ohms, the fuse out of its holder',
		limits: { min: 0, max: 1e9 }
	},
	'fuse-voltage': {
		words: 'Fuse, volts across it',
		symbol: 'Vf',
		unit: 'V',
		places: ['fuse'],
		meter: 'DC volts across the fuse while current flows',
		limits: VOLTS
	},
	'dc-voltage': {
		words: 'DC volts',
		symbol: 'V',
		unit: 'V',
		places: ['part', 'array'],
		meter: DC_VOLTS,
		limits: VOLTS
	},
	'pole-resistance': {
		words: 'Pole, resistance',
		symbol: 'R',
		unit: 'ohm',
		places: ['part'],
		meter: 'Ohms through the closed pole, the circuit dead',
		limits: { min: 0, max: 1e9 }
	},
	'ac-voltage': {
		words: 'AC volts',
		symbol: 'V~',
		unit: 'V',
		places: ['part', 'module'],
		meter: 'Meter on AC volts',
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
		words: 'On or off',
		symbol: '',
		unit: '',
		places: ['part'],
		meter: 'Look: 1 for on, 0 for off',
		limits: { min: 0, max: 1 }
	},
	'section-voltage': {
		words: 'Section',
		symbol: 'Vs',
		unit: 'V',
		places: ['module'],
		meter: 'DC volts between the bars of the junction box',
		limits: { min: -200, max: 200 }
	},
	'diode-forward': {
		words: 'Diode, forward',
		symbol: 'Vd',
		unit: 'V',
		places: ['module'],
		meter: 'Diode test, the module dark',
		limits: { min: 0, max: 10 }
	},
	'diode-reverse': {
		words: 'Diode, reverse',
		symbol: 'Vr',
		unit: 'V',
		places: ['module'],
		meter: 'Diode test, leads changed, the module dark; “OL” where it displays over range',
		limits: { min: 0, max: 10 }
	},
	'stretch-voltage': {
		words: 'Stretch of the string, open circuit',
		symbol: 'Vx',
		unit: 'V',
		places: ['stretch'],
		meter: DC_VOLTS,
		limits: VOLTS
	},
	'joint-rise': {
		words: 'Connector over its neighbours',
		symbol: 'ΔT',
		unit: 'K',
		places: ['joint'],
		meter: 'Infrared, string under load, same angle for all of them',
		limits: { min: -50, max: 400 }
	},
	'device-output': {
		words: 'Device, output',
		symbol: 'Vo',
		unit: 'V',
		places: ['module'],
		meter: DC_VOLTS,
		limits: VOLTS
	},
	'module-count': {
		words: 'Modules counted',
		symbol: 'n',
		unit: '',
		places: ['string'],
		meter: 'Count from the ground or from photographs; follow the leads',
		limits: { min: 0, max: 200 }
	},
	'shade-seen': {
		words: 'Shadow on the string',
		symbol: '',
		unit: '',
		places: ['string'],
		meter: 'Look along the whole string: 1 for a shadow, 0 for none',
		limits: { min: 0, max: 1 }
	},
	'cleaning-gain': {
		words: 'Current gained by cleaning',
		symbol: '+I',
		unit: '%',
		places: ['string', 'array'],
		meter: 'Clamp before and after, in the same light',
		limits: { min: -50, max: 400 }
	},
	'label-power': {
		words: 'Power on the label',
		symbol: 'Pl',
		unit: 'W',
		places: ['string', 'module'],
		meter: 'Read the label on the back',
		limits: { min: 1, max: 2000 }
	},
	'fuse-rating': {
		words: 'Fuse, rating printed on it',
		symbol: 'In',
		unit: 'A',
		places: ['fuse'],
		meter: 'Read it',
		limits: { min: 0.1, max: 2000 }
	},
	'blocking-diode-forward': {
		words: 'Blocking diode, forward',
		symbol: 'Vd',
		unit: 'V',
		places: ['string'],
		meter: 'Diode test, the string isolated; “OL” where it displays over range',
		limits: { min: 0, max: 10 }
	},
	'blocking-diode-reverse': {
		words: 'Blocking diode, reverse',
		symbol: 'Vr',
		unit: 'V',
		places: ['string'],
		meter: 'Diode test, leads changed, the string isolated; “OL” where it displays over range',
		limits: { min: 0, max: 10 }
	},
	'volts-after-shutdown': {
		words: 'Volts after shutdown',
		symbol: 'Vsd',
		unit: 'V',
		places: ['string'],
		meter: 'Meter on DC volts, after the time that the code gives',
		limits: VOLTS
	},
	'cover-current': {
		words: 'Current with the section covered',
		symbol: 'Ic',
		unit: 'A',
		places: ['module'],
		meter: 'Clamp, string under load; cover the whole section for ten seconds at most',
		limits: AMPS
	},
	'joint-resistance': {
		words: 'Joint, resistance',
		symbol: 'Rj',
		unit: 'ohm',
		places: ['joint'],
		meter: 'Ohms through the mated connector, both ends dead',
		limits: { min: 0, max: 1e9 }
	},
	'insulation-wet': {
		words: 'Insulation, wet',
		symbol: 'Riso wet',
		unit: 'Mohm',
		places: ['string', 'array'],
		meter: 'Insulation tester as in the dry, after spraying or in the morning’s dew',
		limits: { min: 0, max: 1e6 }
	},
	'stretch-step': {
		words: 'Stretch, lowest step of its curve',
		symbol: 'Istep',
		unit: '%',
		places: ['stretch'],
		meter:
			'Curve tracer on this stretch: current of the lowest step over its short-circuit current; 100 where there is no step',
		limits: { min: 0, max: 110 }
	},
	'unit-power': {
		words: 'Power of this unit',
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
