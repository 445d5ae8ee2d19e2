import { inSentence } from '../units';
import type { NameOfPart } from './messages';
import { fieldsOf, type Part, type PartKind } from './part';
import { uncertainCells } from './path';
import type { ArrayRecord } from './record';

/** Where on the walk a thing is found out. */
export const STATIONS = ['office', 'roof', 'combiner', 'inverter', 'ac-side'] as const;
export type Station = (typeof STATIONS)[number];

/** What the record lacks, as something one can walk to and read. */
export interface Unknown {
	readonly key: string;
	readonly station: Station;
	/** What to find out. */
	readonly words: string;
	/** What hangs on it. */
	readonly why: string;
	readonly at: UnknownPlace;
}

export type UnknownPlace =
	| { readonly kind: 'module-type'; readonly id: string }
	| { readonly kind: 'module-types' | 'strings' | 'site' | 'map' }
	| { readonly kind: 'part'; readonly id: string }
	| { readonly kind: 'part-kind'; readonly part: PartKind };

const STATION_OF: Readonly<Record<PartKind, Station>> = {
	combiner: 'combiner',
	'dc-disconnect': 'combiner',
	'rapid-shutdown-device': 'roof',
	transmitter: 'inverter',
	optimiser: 'roof',
	'micro-inverter': 'roof',
	inverter: 'inverter',
	'charge-controller': 'inverter',
	battery: 'inverter',
	'ac-disconnect': 'ac-side',
	breaker: 'ac-side',
	bus: 'ac-side',
	meter: 'ac-side',
	surge: 'combiner',
	conductor: 'roof',
	placard: 'combiner'
};

/** Kinds that a system of this kind has, or of which an inspector must say that they are not there. */
export function expectedKinds({ system }: Pick<ArrayRecord, 'system'>): readonly PartKind[] {
	const grid: PartKind[] = ['ac-disconnect', 'breaker', 'bus', 'meter', 'surge', 'placard'];
	switch (system) {
		case 'off-grid':
			return ['charge-controller', 'battery', 'dc-disconnect', 'combiner', 'surge', 'placard'];
		case 'micro-inverters':
			return ['micro-inverter', ...grid];
		case 'optimisers':
			return ['optimiser', 'inverter', 'dc-disconnect', ...grid];
		case 'rapid-shutdown':
			return ['rapid-shutdown-device', 'transmitter', 'inverter', 'dc-disconnect', ...grid];
		default:
			return ['inverter', 'combiner', 'dc-disconnect', ...grid];
	}
}

/**
 * What nobody knows yet, in the order of a walk from the desk over the roof to the meter.
 *
 * @param nameOfPart name of a kind of part in the language of the site
 */
export function unknownsOf(record: ArrayRecord, nameOfPart: NameOfPart): Unknown[] {
	const found = [
		...siteUnknowns(record),
		...typeUnknowns(record),
		...stringUnknowns(record),
		...record.parts.flatMap((part) => partUnknowns(part, nameOfPart)),
		...kindUnknowns(record, nameOfPart)
	];
	return STATIONS.flatMap((station) => found.filter((unknown) => unknown.station === station));
}

function siteUnknowns({ system, rules, inServiceSince }: ArrayRecord): Unknown[] {
	const at = { kind: 'site' } as const;
	const list: Unknown[] = [];
	const add = (key: string, words: string, why: string, station: Station = 'office') =>
		list.push({ key: `site/${key}`, station, words, why, at });
	if (system === null) {
		add('system', 'What hangs behind the modules', 'the shutdown order follows from it', 'roof');
	}
	if (rules.lowest === null) {
		add('lowest', 'Lowest air temperature of the place', 'string voltage at the coldest');
	}
	if (rules.structure === null) {
		add('structure', 'What the array stands on', 'rapid-shutdown duty');
	}
	if (rules.profile === 'US' && rules.edition === null) {
		add('edition', 'Edition of the code it was built under', 'rapid-shutdown limits');
	}
	if (inServiceSince === null) add('since', 'Year of commissioning', 'ageing');
	return list;
}

function typeUnknowns({ moduleTypes }: ArrayRecord): Unknown[] {
	if (moduleTypes.length === 0) {
		return [
			{
				key: 'types',
				station: 'roof',
				words: 'The module’s label',
				why: 'every expected volt and amp',
				at: { kind: 'module-types' }
			}
		];
	}
	return moduleTypes.flatMap(({ id, name, plate: nameplate, limits }) => {
		const list: Unknown[] = [];
		const add = (key: string, words: string, why: string) =>
			list.push({
				key: `type/${id}/${key}`,
				station: 'roof',
				words: `${name}: ${words}`,
				why,
				at: { kind: 'module-type', id }
			});
		if (nameplate.betaVocPctPerK === null)
			add('beta', 'temperature coefficient of Voc', 'voltage at the coldest');
		if (limits.systemVolts === null)
			add('system-volts', 'maximum system voltage', 'modules in series');
		if (limits.seriesFuse === null) add('fuse', 'maximum series fuse', 'fuse needed and its size');
		return list;
	});
}

/** "A1, A2, A3 and 5 more". */
function marks(strings: readonly { readonly label: string }[]): string {
	const named = strings.slice(0, 3).map(({ label }) => label);
	const more = strings.length - named.length;
	return named.join(', ') + (more > 0 ? ` and ${more} more` : '');
}

function stringUnknowns(record: ArrayRecord): Unknown[] {
	const { strings } = record;
	const list: Unknown[] = [];
	const add = (
		key: string,
		station: Station,
		lacking: ArrayRecord['strings'],
		words: string,
		why: string
	) => {
		if (lacking.length === 0) return;
		const at = { kind: 'strings' } as const;
		list.push({ key: `strings/${key}`, station, words: `${marks(lacking)}: ${words}`, why, at });
	};
	const lacking = (is: (string: ArrayRecord['strings'][number]) => boolean) => strings.filter(is);
	const counted = uncertainCells(record).length;
	if (counted > 0) {
		list.push({
			key: 'strings/counted',
			station: 'roof',
			words: `Strings of ${counted} ${counted === 1 ? 'module' : 'modules'}`,
			why: 'expected voltage; which string feeds which input',
			at: { kind: 'map' }
		});
	}
	add(
		'fuse',
		'combiner',
		lacking(({ fuse }) => fuse === 'unknown'),
		'string fuse or none',
		'tracing'
	);
	add(
		'rating',
		'combiner',
		lacking(({ fuse }) => fuse !== null && fuse !== 'unknown' && fuse.rating === null),
		'rating of the fuse',
		'whether it opens, and whether it may stand there'
	);
	add(
		'devices',
		'roof',
		lacking(({ devices }) => devices === 'unknown'),
		'what is clipped behind the modules',
		'standby voltage'
	);
	add(
		'device-figures',
		'roof',
		lacking(({ devices }) => devices !== null && devices !== 'unknown' && devices.part === null),
		'nameplate of the devices behind the modules',
		'voltage while off, and their limits'
	);
	add(
		'blocking',
		'combiner',
		lacking(({ blockingDiode }) => blockingDiode === 'unknown'),
		'blocking diode or none',
		'back-feed, and its 0.5 to 1 V'
	);
	add(
		'input',
		'inverter',
		lacking(({ input }) => input === null),
		'inverter input',
		'who runs in parallel'
	);
	add(
		'connectors',
		'roof',
		lacking(({ connectors }) => connectors === null),
		'make of connectors',
		'mixed makes burn'
	);
	add(
		'map',
		'roof',
		lacking(({ spans }) => spans.length === 0),
		'place on the plan',
		'finding a module again'
	);
	return list;
}

function partUnknowns(part: Part, nameOfPart: NameOfPart): Unknown[] {
	const specs = part.specs as Readonly<Record<string, unknown>>;
	const missing = Object.entries(fieldsOf(part.kind))
		.filter(([key]) => specs[key] === null)
		.map(([, { words }]) => inSentence(words));
	if (part.place === null) missing.unshift('place');
	if (missing.length === 0) return [];
	return [
		{
			key: `part/${part.id}`,
			station: STATION_OF[part.kind],
			words: `${part.mark}: ${missing.join(', ')}`,
			why: nameOfPart(part.kind),
			at: { kind: 'part', id: part.id }
		}
	];
}

const DEVICE_KINDS = {
	'rapid-shutdown': 'rapid-shutdown-device',
	optimiser: 'optimiser',
	'micro-inverter': 'micro-inverter'
} as const satisfies Record<string, PartKind>;

function kindUnknowns(record: ArrayRecord, nameOfPart: NameOfPart): Unknown[] {
	const there = new Set<PartKind>([
		...record.parts.map(({ kind }) => kind),
		// Devices on record are there, whether their figures are known or not.
		...record.strings.flatMap(({ devices }) =>
			devices === null || devices === 'unknown' ? [] : [DEVICE_KINDS[devices.kind]]
		)
	]);
	return expectedKinds(record)
		.filter((kind) => !there.has(kind) && !record.absent.includes(kind))
		.map((kind) => ({
			key: `kind/${kind}`,
			station: STATION_OF[kind],
			words: `${nameOfPart(kind)}: there or not`,
			why: 'looked for is not the same as none',
			at: { kind: 'part-kind', part: kind }
		}));
}
