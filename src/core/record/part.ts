import type { Choice, FieldOf, PartFields } from './spec';

/*
 * Every kind of part beside modules and strings, as data: the screen's form, the file's schema, the
 * words of a difference and the list of what is unknown all come out of this one table.
 */

const figure = (
	words: string,
	unit: string,
	min: number,
	max: number,
	help = ''
): FieldOf<'figure'> => ({ type: 'figure', words, unit, min, max, help });
const text = (words: string, help = ''): FieldOf<'text'> => ({ type: 'text', words, help });
const choice = <const Options extends readonly string[]>(
	words: string,
	options: Options,
	help = ''
): Choice<Options[number]> => ({ type: 'choice', words, options, help });
const yesNo = (words: string, help = '') => choice(words, ['yes', 'no'], help);

const DC_RATING = {
	ratedVolts: figure('Rated DC', 'V', 1, 3000),
	ratedAmps: figure('Rated current', 'A', 0.5, 5000)
} as const;

/** Kinds of parts: what is asked of each, and whether an entry stands for a type of which there are many. */
export const PART_KINDS = {
	combiner: {
		isType: false,
		fields: {
			...DC_RATING,
			fusePoles: choice('Fuses in', ['plus', 'minus', 'both poles', 'none']),
			outputFuse: figure('Fuse on its output', 'A', 1, 5000)
		}
	},
	'dc-disconnect': {
		isType: false,
		fields: {
			...DC_RATING,
			poles: figure('Poles', '', 1, 8),
			lockable: yesNo('Can be locked off')
		}
	},
	'rapid-shutdown-device': {
		isType: true,
		fields: {
			modulesPerDevice: figure('Modules per device', '', 1, 2),
			offVolts: figure('Puts out while off', 'V', 0, 5, 'Usually 0.6 or 1 V each'),
			inputVolts: figure('Highest input', 'V', 1, 300),
			inputAmps: figure('Highest input current', 'A', 0.5, 60),
			watts: figure('Highest power', 'W', 1, 2000)
		}
	},
	transmitter: {
		isType: false,
		fields: {
			supplyBreaker: text('Supply breaker', 'Which one, where'),
			acDisconnect: text('Upstream AC switch'),
			supplyVolts: figure('Low-voltage supply', 'V', 1, 60),
			core: choice(
				'Core on conductor',
				['plus', 'minus', 'both'],
				'Which conductor runs through it'
			),
			initiator: text('Initiator', 'What switches it off, and where')
		}
	},
	optimiser: {
		isType: true,
		fields: {
			modulesPerDevice: figure('Modules per device', '', 1, 2),
			offVolts: figure('Puts out in standby', 'V', 0, 5, 'Usually 1 V each'),
			inputVolts: figure('Highest input', 'V', 1, 300),
			inputAmps: figure('Highest input current', 'A', 0.5, 60),
			watts: figure('Highest power', 'W', 1, 2000)
		}
	},
	'micro-inverter': {
		isType: true,
		fields: {
			acWatts: figure('AC power, continuous', 'W', 10, 5000),
			acAmps: figure('AC current', 'A', 0.1, 30),
			maxVolts: figure('Highest DC', 'V', 1, 300),
			windowLow: figure('Tracks from', 'V', 1, 300),
			windowHigh: figure('Tracks to', 'V', 1, 300),
			modulesPerDevice: figure('Modules per device', '', 1, 4)
		}
	},
	inverter: {
		isType: false,
		fields: {
			acWatts: figure('AC power, continuous', 'W', 100, 5e6),
			acAmps: figure('AC current', 'A', 0.5, 10_000),
			maxVolts: figure('Highest DC', 'V', 10, 3000),
			windowLow: figure('Tracks from', 'V', 10, 3000, 'Lower end of the MPPT window'),
			windowHigh: figure('Tracks to', 'V', 10, 3000),
			inputAmps: figure('Highest short-circuit current per input', 'A', 0.5, 5000),
			inputs: text('Inputs', 'Names as marked, with commas: 1A, 1B'),
			acVolts: figure('AC voltage', 'V', 50, 1000, 'Between lines where it has three phases'),
			phases: choice('Phases', ['1', '3']),
			maxBreaker: figure('Largest breaker on its output', 'A', 1, 5000, 'From its instructions'),
			arcFault: yesNo('Arc-fault protection'),
			groundFault: yesNo('Ground-fault protection', 'Residual current and insulation monitoring'),
			capacitorMinutes: figure('Wait after switching off', 'min', 0, 60, 'From its label'),
			firmware: text('Firmware')
		}
	},
	'charge-controller': {
		isType: false,
		fields: {
			method: choice('Method', ['PWM', 'MPPT']),
			maxVolts: figure('Highest PV', 'V', 1, 1000),
			inputAmps: figure('Highest input current', 'A', 0.5, 500),
			chargeAmps: figure('Highest charge current', 'A', 0.5, 500),
			batteryVolts: figure('Battery, nominal', 'V', 6, 800),
			inputs: text('Inputs', 'Names as marked, with commas')
		}
	},
	battery: {
		isType: false,
		fields: {
			nominalVolts: figure('Nominal', 'V', 1, 1000),
			capacity: figure('Capacity', 'Ah', 0.1, 100_000),
			absorptionVolts: figure('Absorption', 'V', 1, 1200),
			chemistry: choice('Chemistry', ['lead, flooded', 'lead, sealed', 'lithium iron', 'lithium']),
			breakerAmps: figure('Breaker', 'A', 1, 5000)
		}
	},
	'ac-disconnect': {
		isType: false,
		fields: {
			ratedVolts: figure('Rated AC voltage', 'V', 12, 1000),
			ratedAmps: figure('Rated current', 'A', 1, 5000),
			lockable: yesNo('Can be locked off')
		}
	},
	breaker: {
		isType: false,
		fields: {
			amps: figure('Rating', 'A', 1, 5000),
			poles: figure('Poles', '', 1, 4),
			dedicated: yesNo('Dedicated circuit'),
			farEnd: yesNo('Opposite end of the busbar'),
			connection: choice('Point of connection', ['load side', 'supply side'], 'Of the main breaker')
		}
	},
	bus: {
		isType: false,
		fields: {
			busAmps: figure('Bus rating', 'A', 10, 10_000),
			mainAmps: figure('Main breaker', 'A', 10, 10_000),
			breakersAmps: figure('Sum of breaker ratings, main excluded', 'A', 1, 50_000),
			feed: choice('Position of the main supply', ['end', 'centre']),
			powerControlAmps: figure('Power control system limit', 'A', 1, 10_000)
		}
	},
	meter: {
		isType: false,
		fields: {
			measures: choice('Measures', ['production', 'supply', 'both ways']),
			bothWays: yesNo('Bidirectional')
		}
	},
	surge: {
		isType: false,
		fields: {
			side: choice('Side', ['DC', 'AC']),
			ratedVolts: figure('Rated voltage', 'V', 1, 3000),
			window: choice('Status indicator', ['good', 'spent', 'none'])
		}
	},
	conductor: {
		isType: false,
		fields: {
			use: choice('Circuit', ['one string', 'combiner output', 'inverter output', 'earth']),
			length: figure('Length, one way', 'm', 0.1, 5000),
			size: figure('Size', 'mm²', 0.5, 1000),
			rating: choice('Insulation rating', ['60 °C', '75 °C', '90 °C', 'solar cable']),
			ambient: figure('Highest ambient temperature', '°C', -40, 90),
			laid: choice('Installation method', [
				'free in air',
				'on a surface',
				'touching others',
				'in a raceway'
			]),
			roofHeight: figure('Height above the roof', 'mm', 0, 2000),
			material: choice('Material', ['copper', 'aluminium']),
			together: figure(
				'Number of current-carrying conductors',
				'',
				1,
				200,
				'In one raceway or bundle, this circuit included'
			),
			terminals: choice('Terminal rating', ['60 °C', '75 °C', '90 °C'])
		}
	},
	placard: {
		isType: false,
		fields: {
			says: text('Wording'),
			durable: choice('Made by', ['engraved', 'printed', 'by hand']),
			readable: yesNo('Readable')
		}
	}
} as const satisfies Readonly<Record<string, { isType: boolean; fields: PartFields }>>;

export type PartKind = keyof typeof PART_KINDS;
export const PART_KIND_NAMES = Object.keys(PART_KINDS) as PartKind[];

type ValueOf<F> = F extends { readonly type: 'figure' }
	? number
	: F extends { readonly type: 'choice'; readonly options: readonly (infer O)[] }
		? O
		: string;

/** Figures of a kind of part in the units of {@link PART_KINDS}; null is unknown. */
export type Specs<K extends PartKind> = {
	readonly [F in keyof (typeof PART_KINDS)[K]['fields']]: ValueOf<
		(typeof PART_KINDS)[K]['fields'][F]
	> | null;
};

interface PartBase<K extends PartKind> {
	readonly id: string;
	readonly kind: K;
	/** As marked on it, for example INV 1. */
	readonly mark: string;
	/** Where a stranger finds it; null is unknown. */
	readonly place: string | null;
	readonly model: string | null;
	readonly serial: string | null;
	/** The part its power goes to next; null is unknown or the end. */
	readonly to: string | null;
	readonly specs: Specs<K>;
}

export type Part = { [K in PartKind]: PartBase<K> }[PartKind];
export type PartOf<K extends PartKind> = Extract<Part, { readonly kind: K }>;

export function partsOf<K extends PartKind>(parts: readonly Part[], kind: K): readonly PartOf<K>[] {
	return parts.filter((part): part is PartOf<K> => part.kind === kind);
}

/** Fields of a kind, as the table has them. */
export function fieldsOf(kind: PartKind): PartFields {
	return PART_KINDS[kind].fields;
}

/** Specs of a kind of which nothing is known. */
export function unknownSpecs<K extends PartKind>(kind: K): Specs<K> {
	return Object.fromEntries(
		Object.keys(PART_KINDS[kind].fields).map((key) => [key, null])
	) as Specs<K>;
}
