/** What a monitoring export states of a unit, as it is stored, in base units. */
export const MONITORED_QUANTITIES = [
	'power',
	'energy',
	'energy-total',
	'dc-voltage',
	'dc-current',
	'ac-voltage',
	'ac-current',
	'irradiance',
	'cell-temperature',
	'air-temperature'
] as const;
export type MonitoredQuantity = (typeof MONITORED_QUANTITIES)[number];

interface MonitoredQuantityFacts {
	readonly words: string;
	/** Base unit. */
	readonly unit: string;
	/** Units it comes in, as written, and what one of them is in base units. */
	readonly units: Readonly<Record<string, number>>;
	/** Smallest and largest figure that can be meant, in base units. */
	readonly least: number;
	readonly most: number;
	/** Words in a heading that name it, best first. */
	readonly named: RegExp;
}

const POWER = { W: 1, kW: 1e3, MW: 1e6, mW: 1e-3 };
const WATT_HOURS = { Wh: 1, kWh: 1e3, MWh: 1e6 };
const VOLTAGE = { V: 1, mV: 1e-3 };
const CURRENT = { A: 1, mA: 1e-3 };
const CELSIUS = { '°C': 1, C: 1, degC: 1 };

/** Limits are judgement: wide enough for a whole plant, narrow enough for a column that is not what it is said to be. */
export const MONITORED_QUANTITY_FACTS: Readonly<Record<MonitoredQuantity, MonitoredQuantityFacts>> =
	{
		'energy-total': {
			words: 'Energy counter',
			unit: 'Wh',
			units: WATT_HOURS,
			least: 0,
			most: 1e14,
			named: /\b(total|lifetime|cumulative|counter|meter reading|sum|gesamt)\b/
		},
		energy: {
			words: 'Energy in the interval',
			unit: 'Wh',
			units: WATT_HOURS,
			least: 0,
			most: 1e9,
			named: /\b(energy|yield|production|generation|energie|ertrag)\b/
		},
		'dc-voltage': {
			words: 'DC voltage',
			unit: 'V',
			units: VOLTAGE,
			least: -50,
			most: 2000,
			named:
				/\b(u ?dc|v ?dc|dc (volt\w*|u|v)|pv volt\w*|mppt volt\w*|u|v|volts?|voltage|spannung)\b/
		},
		'dc-current': {
			words: 'DC current',
			unit: 'A',
			units: CURRENT,
			least: -50,
			most: 5000,
			named: /\b(i ?dc|dc (curr\w*|amp\w*|i|a)|pv curr\w*|mppt curr\w*|i|amps?|current|strom)\b/
		},
		'ac-voltage': {
			words: 'AC voltage',
			unit: 'V',
			units: VOLTAGE,
			least: 0,
			most: 50_000,
			named: /\b(u ?ac|v ?ac|ac (volt\w*|u|v)|grid volt\w*)\b/
		},
		'ac-current': {
			words: 'AC current',
			unit: 'A',
			units: CURRENT,
			least: -5000,
			most: 5000,
			named: /\b(i ?ac|ac (curr\w*|amp\w*|i|a)|grid curr\w*)\b/
		},
		irradiance: {
			words: 'Plane-of-array irradiance',
			unit: 'W/m²',
			units: { 'W/m²': 1, 'W/m2': 1, 'kW/m²': 1e3 },
			least: -20,
			most: 1700,
			named: /\b(irradiance|poa|insolation|sun sensor|pyranometer|einstrahlung)\b/
		},
		'cell-temperature': {
			words: 'Cell temperature',
			unit: '°C',
			units: CELSIUS,
			least: -60,
			most: 130,
			named: /\b((cell|module|panel|back) ?temp\w*|t ?cell|t ?mod)\b/
		},
		'air-temperature': {
			words: 'Air temperature',
			unit: '°C',
			units: CELSIUS,
			least: -60,
			most: 70,
			named: /\b((air|ambient|outdoor) ?temp\w*|t ?amb|t ?air|temperature|temp)\b/
		},
		power: {
			words: 'Power',
			unit: 'W',
			units: POWER,
			least: -1e6,
			most: 1e9,
			named: /\b(power|p ?ac|p ?dc|p|leistung|watts?|output)\b/
		}
	};

/** What a heading says of its column. */
export interface NamedColumn {
	readonly watched: MonitoredQuantity;
	/** Unit of measure that it states; absent where it states none. */
	readonly symbol?: string;
	/** What one of its figures is in base units. */
	readonly factor: number;
	/** The heading without the words for the quantity and its unit: the unit's own name. */
	readonly rest: string;
}

const LETTER = /[a-z]/i;
const UNIT_AT_END =
	/(?<![\s_[(/-])[\s_[(/-]*(?:\b(MWh|kWh|Wh|MW|kW|mW|W\/m²|W\/m2|kW\/m²|W|mV|V|mA|A|degC|C)\b|(°C))[²\])\s]*$/;
const UNIT_IN_BRACKETS = /[[(]\s*([a-zA-Z°/²2]{1,7})\s*[\])]/;

/**
 * Reads a heading as the quantity it names: by its unit, by its words, or by both.
 *
 * @returns null where neither says anything
 */
export function readHeading(heading: string): NamedColumn | null {
	// Words and units all have letters; most cells of an export have none.
	if (!LETTER.test(heading)) return null;
	const text = heading.replace(/_/g, ' ').trim();
	const bracketed = UNIT_IN_BRACKETS.exec(text);
	const atEnd = UNIT_AT_END.exec(text);
	const symbol = bracketed?.[1] ?? atEnd?.[1] ?? atEnd?.[2] ?? null;
	const bare = bracketed
		? text.replace(bracketed[0], ' ')
		: atEnd
			? text.slice(0, atEnd.index)
			: text;
	const plain = bare.toLowerCase();
	const fits = (watched: MonitoredQuantity) =>
		symbol === null || MONITORED_QUANTITY_FACTS[watched].units[symbol] !== undefined;
	const byWords = ORDER.find(
		(watched) => fits(watched) && MONITORED_QUANTITY_FACTS[watched].named.test(plain)
	);
	const byUnit = symbol === null ? undefined : USUAL.find(fits);
	const watched = byWords ?? byUnit;
	if (!watched) return null;
	const { named, units } = MONITORED_QUANTITY_FACTS[watched];
	const rest = bare
		.replace(new RegExp(named.source, 'i'), ' ')
		// "Module 1 total yield" is module 1's, as its "power" is.
		.replace(watched === 'energy-total' ? ENERGY : /(?!)/, ' ')
		.replace(/\b(dc|ac|mean|avg|average|today|daily|e[ -]?day|heute|tages)\b/gi, ' ')
		.replace(/[\s:;,|/]+/g, ' ')
		.replace(/^[\s-]+|(?<![\s-])[\s-]+$/g, '');
	return {
		watched,
		...(symbol !== null && { symbol }),
		factor: symbol === null ? 1 : units[symbol]!,
		rest
	};
}

const ENERGY = new RegExp(MONITORED_QUANTITY_FACTS.energy.named.source, 'i');

/** The narrower names first: "AC voltage" is no DC volts, "lifetime energy" no energy of an interval. */
const ORDER: readonly MonitoredQuantity[] = [
	'ac-voltage',
	'ac-current',
	'energy-total',
	'energy',
	'irradiance',
	'cell-temperature',
	'air-temperature',
	'dc-voltage',
	'dc-current',
	'power'
];
/** What a unit alone means, the usual first. */
const USUAL: readonly MonitoredQuantity[] = [
	'power',
	'energy',
	'dc-voltage',
	'dc-current',
	'irradiance',
	'cell-temperature'
];
