export const POLES = ['positive', 'negative'] as const;
type Pole = (typeof POLES)[number];

/** A string as a whole, between its two leads. */
export interface StringPlace {
	readonly kind: 'string';
	readonly string: string;
}

/** One of a string's fuses. */
interface FusePlace {
	readonly kind: 'fuse';
	readonly string: string;
	readonly pole: Pole;
}

/** One module, or one section of it. */
interface ModulePlace {
	readonly kind: 'module';
	readonly string: string;
	/** 1 at the negative end. */
	readonly module: number;
	/** 1 at the module's negative lead; null for the whole module. */
	readonly section: number | null;
}

/** A run of modules between two joints of a string, from joint 0 below the first to joint n above the last. */
interface SegmentPlace {
	readonly kind: 'stretch';
	readonly string: string;
	readonly from: number;
	readonly to: number;
}

/** One joint of a string: 0 is its negative home run, n its positive one. */
interface ConnectorPlace {
	readonly kind: 'joint';
	readonly string: string;
	readonly joint: number;
}

/** Points of a part where a probe goes. */
export const PART_POINTS = [
	/** Towards the modules, pole to pole. */
	'line',
	/** Away from the modules, pole to pole. */
	'load',
	/** Each pole through the part. */
	'positive',
	'negative',
	/** Links of a transmitter's supply, in the order of the energy. */
	'supply-breaker',
	'supply-disconnect',
	'low-voltage',
	'lamp',
	'signal',
	/** What the part's own display says. */
	'display',
	/** An inverter's own fuse between a pole and earth. */
	'earth-fuse',
	/** A surge protector's state window. */
	'window'
] as const;
export type PartPoint = (typeof PART_POINTS)[number];

interface PartPlace {
	readonly kind: 'part';
	readonly part: string;
	readonly point: PartPoint;
}

/** All strings together, or the metal they stand on. */
interface ArrayPlace {
	readonly kind: 'array';
}

/** Where a reading is taken; ids are those of the record. */
export type Place =
	| StringPlace
	| FusePlace
	| ModulePlace
	| SegmentPlace
	| ConnectorPlace
	| PartPlace
	| ArrayPlace;

/** The string a place belongs to; null where it belongs to none. */
export function stringOfPlace(place: Place): string | null {
	return 'string' in place ? place.string : null;
}

export function stringPlace(string: string): StringPlace {
	return { kind: 'string', string };
}

/** Key of one quantity of a whole string. */
export function stringKey(stringId: string, quantity: string): string {
	return `${stringId}/${quantity}`;
}

/** Key of one quantity at one place: two readings of the same key replace one another. */
export function placeKey(place: Place, quantity: string): string {
	switch (place.kind) {
		case 'string':
			return stringKey(place.string, quantity);
		case 'fuse':
			return `${place.string}/fuse-${place.pole}/${quantity}`;
		case 'module':
			return `${place.string}/module-${place.module}${place.section === null ? '' : `-${place.section}`}/${quantity}`;
		case 'stretch':
			return `${place.string}/stretch-${place.from}-${place.to}/${quantity}`;
		case 'joint':
			return `${place.string}/joint-${place.joint}/${quantity}`;
		case 'part':
			return `${place.part}/${place.point}/${quantity}`;
		case 'array':
			return `array/${quantity}`;
	}
}
