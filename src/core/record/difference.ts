import { inSentence } from '../units';
import type { NameOfPart } from './messages';
import { fieldsOf, type Part } from './part';
import type { ArrayRecord, ModuleType, StringRecord } from './record';
import { STRUCTURE_WORDS, SYSTEM_WORDS } from './words';

/**
 * What two records differ in, in sentences, in the order of the work.
 *
 * @param nameOfPart name of a kind of part in the language of the site
 */
export function differenceInWords(
	before: ArrayRecord,
	after: ArrayRecord,
	nameOfPart: NameOfPart
): string[] {
	return [
		...factWords(before, after, nameOfPart),
		...listWords(before.moduleTypes, after.moduleTypes, {
			name: (type) => `Module type ${type.name}`,
			changes: typeChanges
		}),
		...stringWords(before, after),
		...listWords(before.parts, after.parts, {
			name: (part) => `${nameOfPart(part.kind)} ${part.mark}`,
			changes: (a, b) => partChanges(a, b, before, after, nameOfPart)
		}),
		...listWords(before.fields, after.fields, {
			name: (field) => `Field ${field.name}`,
			changes: (a, b) =>
				changesOf([
					['name', a.name, b.name],
					['rows', a.rows, b.rows],
					['columns', a.columns, b.columns],
					['tilt', degrees(a.tilt), degrees(b.tilt)],
					['azimuth', degrees(a.azimuth), degrees(b.azimuth)]
				])
		})
	];
}

const UNKNOWN = 'unknown';
const orUnknown = (value: string | number | null) => (value === null ? UNKNOWN : String(value));
const locationWords = (location: ArrayRecord['location']) =>
	location === null
		? UNKNOWN
		: `${location.latitude}°, ${location.longitude}°${location.altitude === null ? '' : `, ${location.altitude} m`}`;
const degrees = (value: number | null) => (value === null ? UNKNOWN : `${value}°`);

type Row = readonly [what: string, before: unknown, after: unknown];

/** "cable 0.3 ohm, was 0.4 ohm" for each pair that differs. */
function changesOf(rows: readonly Row[]): string[] {
	return rows
		.filter(([, a, b]) => a !== b)
		.map(([what, a, b]) => `${what} ${String(b)}, was ${String(a)}`);
}

interface Wording<T> {
	readonly name: (entry: T) => string;
	readonly changes: (before: T, after: T) => string[];
}

function listWords<T extends { readonly id: string }>(
	before: readonly T[],
	after: readonly T[],
	{ name, changes }: Wording<T>
): string[] {
	const old = new Map(before.map((entry) => [entry.id, entry]));
	const kept = new Set(after.map(({ id }) => id));
	const words: string[] = [];
	for (const entry of after) {
		const former = old.get(entry.id);
		if (!former) words.push(`${name(entry)} added.`);
		else if (former !== entry) {
			const list = changes(former, entry);
			if (list.length > 0) words.push(`${name(former)}: ${list.join('; ')}.`);
		}
	}
	for (const entry of before) if (!kept.has(entry.id)) words.push(`${name(entry)} taken out.`);
	return words;
}

function factWords(before: ArrayRecord, after: ArrayRecord, nameOfPart: NameOfPart): string[] {
	const system = ({ system: kind }: ArrayRecord) => (kind ? SYSTEM_WORDS[kind] : UNKNOWN);
	const absent = ({ absent: kinds }: ArrayRecord) =>
		kinds
			.map((kind) => inSentence(nameOfPart(kind)))
			.sort()
			.join(', ') || 'nothing';
	const structure = ({ rules }: ArrayRecord) =>
		rules.structure ? STRUCTURE_WORDS[rules.structure] : UNKNOWN;
	const rates = ({ rates: own }: ArrayRecord) =>
		Object.entries(own)
			.map(([code, rate]) => `${code} ${rate}`)
			.sort()
			.join(', ') || 'the usual ones';
	const kelvin = (value: number | null) => (value === null ? UNKNOWN : `${value} °C`);
	return changesOf([
		['Kind of system:', system(before), system(after)],
		['In service since', orUnknown(before.inServiceSince), orUnknown(after.inServiceSince)],
		['Location', locationWords(before.location), locationWords(after.location)],
		['Looked for and not there:', absent(before), absent(after)],
		['Rules of', before.rules.profile, after.rules.profile],
		['Edition', orUnknown(before.rules.edition), orUnknown(after.rules.edition)],
		['Structure:', structure(before), structure(after)],
		['Lowest air temperature', kelvin(before.rules.lowest), kelvin(after.rules.lowest)],
		['Hottest cells', kelvin(before.rules.hottestCell), kelvin(after.rules.hottestCell)],
		[
			'Fuse in every parallel string:',
			before.rules.alwaysFuse ? 'always' : 'where the rule asks for it',
			after.rules.alwaysFuse ? 'always' : 'where the rule asks for it'
		],
		['Rates of faults:', rates(before), rates(after)]
	]).map((words) => `${words}.`);
}

function typeChanges(a: ModuleType, b: ModuleType): string[] {
	const nameplate = Object.keys({ ...a.plate, ...b.plate }) as (keyof ModuleType['plate'])[];
	const limits = Object.keys(b.limits) as (keyof ModuleType['limits'])[];
	return changesOf([
		['name', a.name, b.name],
		...nameplate.map((key): Row => [key, orUnknown(a.plate[key]), orUnknown(b.plate[key])]),
		['tolerance of Voc, %', a.tolerance.vocPct, b.tolerance.vocPct],
		['tolerance of Isc, %', a.tolerance.iscPct, b.tolerance.iscPct],
		...limits.map((key): Row => [key, String(a.limits[key]), String(b.limits[key])])
	]);
}

/** A fuse as one says it. */
export function fuseWords(fuse: StringRecord['fuse']): string {
	if (fuse === null) return 'none';
	return fuse === 'unknown'
		? UNKNOWN
		: fuse.rating === null
			? 'of unknown rating'
			: `${fuse.rating} A`;
}

function devicesWords(devices: StringRecord['devices']): string {
	if (devices === null) return 'none';
	if (devices === 'unknown') return UNKNOWN;
	return `${devices.kind} for ${devices.modulesPerDevice}`;
}

function stringWords(before: ArrayRecord, after: ArrayRecord): string[] {
	const typeName = (record: ArrayRecord, id: string) =>
		record.moduleTypes.find((type) => type.id === id)?.name ?? UNKNOWN;
	const words = listWords(before.strings, after.strings, {
		name: ({ label }) => `String ${label}`,
		changes: (a, b) => [
			...changesOf([
				['mark', a.label, b.label],
				['modules', a.moduleCount, b.moduleCount],
				['module type', typeName(before, a.moduleTypeId), typeName(after, b.moduleTypeId)],
				['cable', `${a.cableResistance} ohm`, `${b.cableResistance} ohm`],
				['fuse', fuseWords(a.fuse), fuseWords(b.fuse)],
				['blocking diode', a.blockingDiode, b.blockingDiode],
				['behind the modules', devicesWords(a.devices), devicesWords(b.devices)],
				['connectors', orUnknown(a.connectors), orUnknown(b.connectors)],
				['leads to', markOf(before, a.to), markOf(after, b.to)],
				['input', orUnknown(a.input), orUnknown(b.input)]
			]),
			...moduleChanges(a, b),
			...(JSON.stringify(a.spans) === JSON.stringify(b.spans) ? [] : ['moved on the plan'])
		]
	});
	const order = (record: ArrayRecord, other: ArrayRecord) =>
		record.strings
			.filter(({ id }) => other.strings.some((string) => string.id === id))
			.map(({ id }) => id)
			.join();
	if (order(before, after) !== order(after, before)) {
		words.push(`Strings in the order ${after.strings.map(({ label }) => label).join(', ')}.`);
	}
	return words;
}

/** At most this many single modules are named; the rest is counted. */
const NAMED = 4;

function moduleChanges(a: StringRecord, b: StringRecord): string[] {
	const old = new Map(a.modules.map((module) => [module.number, JSON.stringify(module)]));
	const fresh = new Map(b.modules.map((module) => [module.number, JSON.stringify(module)]));
	const numbers = [...new Set([...old.keys(), ...fresh.keys()])]
		.filter((number) => old.get(number) !== fresh.get(number))
		.sort((x, y) => x - y);
	if (numbers.length === 0) return [];
	const named = numbers.slice(0, NAMED).join(', ');
	const more = numbers.length - NAMED;
	return [`what is known of module ${named}${more > 0 ? ` and ${more} more` : ''}`];
}

function markOf(record: ArrayRecord, id: string | null): string {
	return record.parts.find((part) => part.id === id)?.mark ?? UNKNOWN;
}

function partChanges(
	a: Part,
	b: Part,
	before: ArrayRecord,
	after: ArrayRecord,
	nameOfPart: NameOfPart
): string[] {
	const specs = (part: Part) => part.specs as Readonly<Record<string, string | number | null>>;
	return changesOf([
		['kind', nameOfPart(a.kind), nameOfPart(b.kind)],
		['mark', a.mark, b.mark],
		['place', orUnknown(a.place), orUnknown(b.place)],
		['model', orUnknown(a.model), orUnknown(b.model)],
		['serial', orUnknown(a.serial), orUnknown(b.serial)],
		['leads to', markOf(before, a.to), markOf(after, b.to)],
		...Object.entries(fieldsOf(b.kind)).map(([key, field]): Row => {
			const unit = field.type === 'figure' && field.unit ? ` ${field.unit}` : '';
			const said = (value: string | number | null | undefined) =>
				value === null || value === undefined ? UNKNOWN : `${value}${unit}`;
			return [inSentence(field.words), said(specs(a)[key]), said(specs(b)[key])];
		})
	]);
}
