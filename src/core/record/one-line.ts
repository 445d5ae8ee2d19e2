import { fuseWords } from './difference';
import { fieldsOf, type Part, type PartKind } from './part';
import { isAcBranch, typesInString, type ArrayRecord, type StringRecord } from './record';

/** A box of the diagram: strings alike that meet in one part, or a part. */
export interface DiagramNode {
	readonly id: string;
	/** 0 at the left, where the energy comes from. */
	readonly column: number;
	/** Rows from the top; a box stands at the middle of what feeds it. */
	readonly row: number;
	readonly title: string;
	/** Ratings and place, a line each. */
	readonly lines: readonly string[];
	readonly of:
		| { readonly kind: 'strings'; readonly strings: readonly StringRecord[] }
		| { readonly kind: 'part'; readonly part: Part };
}

interface DiagramLink {
	readonly from: string;
	readonly to: string;
	/** Written on the line: a conductor's measures, an input. */
	readonly words: string;
}

export interface Diagram {
	readonly nodes: readonly DiagramNode[];
	readonly links: readonly DiagramLink[];
	readonly columns: number;
	readonly rows: number;
	/** Parts that stand on no path, by their kind. */
	readonly besides: readonly Part[];
}

/** Specs worth a line in the diagram, by kind, in this order. */
const RATINGS: Readonly<Partial<Record<PartKind, readonly string[]>>> = {
	combiner: ['ratedVolts', 'ratedAmps'],
	'dc-disconnect': ['ratedVolts', 'ratedAmps'],
	transmitter: ['supplyBreaker', 'initiator'],
	inverter: ['acWatts', 'maxVolts', 'inputs'],
	'charge-controller': ['method', 'maxVolts', 'chargeAmps'],
	battery: ['nominalVolts', 'capacity', 'breakerAmps'],
	'ac-disconnect': ['ratedVolts', 'ratedAmps'],
	breaker: ['amps'],
	bus: ['busAmps', 'mainAmps'],
	meter: ['measures'],
	surge: ['side', 'ratedVolts']
};

/** Kinds that are types of what hangs behind modules, or no part of a path. */
const BESIDES: readonly PartKind[] = [
	'rapid-shutdown-device',
	'optimiser',
	'micro-inverter',
	'placard'
];

function ratingLines(part: Part): string[] {
	const fields = fieldsOf(part.kind);
	const specs = part.specs as Readonly<Record<string, string | number | null>>;
	const said = (RATINGS[part.kind] ?? []).map((key) => {
		const field = fields[key]!;
		const value = specs[key];
		if (value === null || value === undefined) return `${field.words}: unknown`;
		const unit = field.type === 'figure' && field.unit ? ` ${field.unit}` : '';
		return field.type === 'figure' ? `${field.words} ${value}${unit}` : `${value}`;
	});
	return [...said, part.place ?? 'place unknown'];
}

function conductorWords({ specs }: Extract<Part, { kind: 'conductor' }>): string {
	const size = specs.size === null ? '? mm²' : `${specs.size} mm²`;
	return specs.length === null ? size : `${size}, ${specs.length} m`;
}

/** A box beyond conductors: what they are is written on the line. */
function beyondConductors(
	parts: ReadonlyMap<string, Part>,
	start: string | null
): { readonly part: Part | null; readonly words: string } {
	const words: string[] = [];
	let next = start;
	for (let i = 0; next !== null && i <= parts.size; i++) {
		const part = parts.get(next);
		if (!part) break;
		if (part.kind !== 'conductor') return { part, words: words.join('; ') };
		words.push(conductorWords(part));
		next = part.to;
	}
	return { part: null, words: words.join('; ') };
}

/** Strings of equal build that meet in one part, in the order of the record. */
function bundles(record: ArrayRecord): StringRecord[][] {
	const groups = new Map<string, StringRecord[]>();
	for (const string of record.strings) {
		const { fuse, devices, to, input } = string;
		const key = JSON.stringify([typesInString(string), fuse, devices, to, input]);
		groups.set(key, [...(groups.get(key) ?? []), string]);
	}
	return [...groups.values()];
}

function bundleLines(record: ArrayRecord, strings: readonly StringRecord[]): string[] {
	const [string] = strings;
	const devices = string!.devices;
	const hung = devices === null ? [] : devices === 'unknown' ? ['devices unknown'] : [devices.kind];
	return [
		`${strings.length > 1 ? `${strings.length} x ` : ''}${modulesWords(record, string!)}`,
		...hung,
		isAcBranch(string!) ? 'AC branch' : `fuse ${fuseWords(string!.fuse)}`
	];
}

/** "12 x 335 W", or "1 x 300 W and 1 x 225 W" where types are mixed. */
function modulesWords(record: ArrayRecord, string: StringRecord): string {
	const counts = new Map<string, number>();
	for (const id of typesInString(string)) counts.set(id, (counts.get(id) ?? 0) + 1);
	return [...counts]
		.map(([id, count]) => {
			const type = record.moduleTypes.find((candidate) => candidate.id === id);
			return `${count} x ${type?.plate.pmax ?? '?'} W`;
		})
		.join(' and ');
}

function bundleTitle(strings: readonly StringRecord[]): string {
	const first = strings[0]!.label;
	const last = strings.at(-1)!.label;
	return strings.length === 1 ? first : `${first} to ${last}`;
}

/**
 * The one-line diagram of a record: boxes in columns from the modules to the grid, each at the middle of
 * what feeds it, and the lines between them. Conductors are lines, not boxes.
 */
export function oneLine(record: ArrayRecord): Diagram {
	const parts = new Map(record.parts.map((part) => [part.id, part]));
	const links: DiagramLink[] = [];
	const feeders = new Map<string, string[]>();
	const join = (from: string, to: string, words: string) => {
		links.push({ from, to, words });
		feeders.set(to, [...(feeders.get(to) ?? []), from]);
	};
	const groups = bundles(record).map((strings) => ({ id: `s/${strings[0]!.id}`, strings }));
	for (const { id, strings } of groups) {
		const { part, words } = beyondConductors(parts, strings[0]!.to);
		const input = strings[0]!.input === null ? '' : `input ${strings[0]!.input}`;
		const direct = part?.kind === 'inverter' || part?.kind === 'charge-controller';
		if (part) join(id, part.id, [words, direct ? input : ''].filter(Boolean).join('; '));
	}
	const boxes = record.parts.filter(({ kind }) => kind !== 'conductor' && !BESIDES.includes(kind));
	for (const box of boxes) {
		const { part, words } = beyondConductors(parts, box.to);
		if (part && part !== box) join(box.id, part.id, words);
	}
	const onPath = boxes.filter(({ id }) => feeders.has(id) || links.some(({ from }) => from === id));
	const columns = columnsOf([...groups.map(({ id }) => id), ...onPath.map(({ id }) => id)], links);
	const rows = rowsOf(
		groups.map(({ id }) => id),
		onPath.map(({ id }) => id),
		feeders,
		columns
	);
	const nodes: DiagramNode[] = [
		...groups.map(({ id, strings }) => ({
			id,
			column: 0,
			row: rows.get(id)!,
			title: bundleTitle(strings),
			lines: bundleLines(record, strings),
			of: { kind: 'strings' as const, strings }
		})),
		...onPath.map((part) => ({
			id: part.id,
			column: columns.get(part.id)!,
			row: rows.get(part.id)!,
			title: part.mark,
			lines: ratingLines(part),
			of: { kind: 'part' as const, part }
		}))
	];
	return {
		nodes,
		links,
		columns: Math.max(0, ...nodes.map(({ column }) => column)) + 1,
		rows: Math.max(0, ...nodes.map(({ row }) => row)) + 1,
		besides: record.parts.filter((part) => part.kind !== 'conductor' && !onPath.includes(part))
	};
}

/** Longest way from a source to each box. */
function columnsOf(ids: readonly string[], links: readonly DiagramLink[]): Map<string, number> {
	const columns = new Map(ids.map((id) => [id, id.startsWith('s/') ? 0 : 1]));
	// Every pass settles at least one more column; a record without circles needs as many as boxes.
	for (let pass = 0; pass < ids.length; pass++) {
		let moved = false;
		for (const { from, to } of links) {
			const wanted = columns.get(from)! + 1;
			if (columns.get(to)! >= wanted) continue;
			columns.set(to, wanted);
			moved = true;
		}
		if (!moved) break;
	}
	return columns;
}

function rowsOf(
	sources: readonly string[],
	boxes: readonly string[],
	feeders: ReadonlyMap<string, readonly string[]>,
	columns: ReadonlyMap<string, number>
): Map<string, number> {
	const rows = new Map<string, number>();
	// Sources that meet in one box stand together.
	const meeting = (id: string) => boxes.findIndex((box) => feeders.get(box)?.includes(id));
	[...sources].sort((a, b) => meeting(a) - meeting(b)).forEach((id, i) => rows.set(id, i));
	const taken = new Map<number, number>();
	const inOrder = boxes.toSorted((a, b) => columns.get(a)! - columns.get(b)!);
	for (const id of inOrder) {
		const fed = (feeders.get(id) ?? []).flatMap((from) => rows.get(from) ?? []);
		const column = columns.get(id)!;
		const middle = fed.length > 0 ? fed.reduce((sum, row) => sum + row, 0) / fed.length : 0;
		const row = Math.max(middle, taken.get(column) ?? 0);
		rows.set(id, row);
		taken.set(column, row + 1);
	}
	return rows;
}
