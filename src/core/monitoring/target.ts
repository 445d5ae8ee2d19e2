import {
	acPower,
	type ArrayRecord,
	cellsOf,
	endOfString,
	isAcBranch,
	labelPower,
	type StringRecord,
	typesInString
} from '../record';

/** The part of the record that a unit of an export is. */
export type Target =
	| { readonly kind: 'module'; readonly string: string; readonly module: number }
	| { readonly kind: 'string'; readonly string: string }
	| { readonly kind: 'inverter'; readonly part: string }
	| { readonly kind: 'array' };

/** What is known of a unit by its place in the record. */
export interface TargetFacts {
	/** As marked: "K2 8", "A3", "INV 1", "the array". */
	readonly label: string;
	/** Of its modules' labels together, W. */
	readonly labelWatts: number;
	/** AC power of the device that its power passes, W; null where not known, or it shares the device. */
	readonly ratedWatts: number | null;
	/** Units of the same key are alike: same types of module, as many of them, in the same plane. */
	readonly like: string;
	/** Tilt and azimuth, degrees; null where not known or more than one. */
	readonly plane: { readonly tilt: number; readonly azimuth: number } | null;
}

export function targetKey(target: Target): string {
	switch (target.kind) {
		case 'module':
			return `module:${target.string}:${target.module}`;
		case 'string':
			return `string:${target.string}`;
		case 'inverter':
			return `inverter:${target.part}`;
		case 'array':
			return 'array';
	}
}

/** Every part of a record that an export may have a line of: the array, inverters, strings, modules. */
export function targetsOf(record: ArrayRecord): Target[] {
	const inverters = record.parts.filter(({ kind }) => kind === 'inverter');
	return [
		{ kind: 'array' },
		...inverters.map(({ id }) => ({ kind: 'inverter', part: id }) as const),
		...record.strings.map(({ id }) => ({ kind: 'string', string: id }) as const),
		...record.strings.flatMap(({ id, moduleCount }) =>
			Array.from(
				{ length: moduleCount },
				(_, i) => ({ kind: 'module', string: id, module: i + 1 }) as const
			)
		)
	];
}

/** @returns null where the record has no such part any more */
export function factsOf(record: ArrayRecord, target: Target): TargetFacts | null {
	const power = new Map(record.moduleTypes.map(({ id, plate: nameplate }) => [id, nameplate.pmax]));
	const sum = (types: readonly string[]) =>
		types.reduce((all, id) => all + (power.get(id) ?? 0), 0);
	switch (target.kind) {
		case 'array':
			return {
				label: 'the array',
				labelWatts: labelPower(record),
				ratedWatts: acPower(record),
				like: 'array',
				plane: planeOf(record, record.strings)
			};
		case 'inverter': {
			const part = record.parts.find(({ id }) => id === target.part);
			if (part?.kind !== 'inverter') return null;
			const strings = record.strings.filter((s) => endOfString(record, s)?.id === part.id);
			const types = strings.flatMap(typesInString);
			const plane = planeOf(record, strings);
			return {
				label: part.mark,
				labelWatts: sum(types),
				ratedWatts: part.specs.acWatts,
				like: `inverter ${alike(types, plane)}`,
				plane
			};
		}
		case 'string': {
			const string = record.strings.find(({ id }) => id === target.string);
			if (!string) return null;
			const types = typesInString(string);
			const plane = planeOf(record, [string]);
			return {
				label: string.label,
				labelWatts: sum(types),
				ratedWatts: null,
				like: `string ${inverterOf(record, string)} ${alike(types, plane)}`,
				plane
			};
		}
		case 'module': {
			const string = record.strings.find(({ id }) => id === target.string);
			const type = string && typesInString(string)[target.module - 1];
			if (!string || !type) return null;
			const field = cellsOf(string.spans, string.moduleCount)[target.module - 1]?.field;
			const plane = field === undefined ? planeOf(record, [string]) : planeById(record, field);
			return {
				label: `${string.label} ${target.module}`,
				labelWatts: power.get(type) ?? 0,
				ratedWatts: ratedOfDevice(record, string),
				like: `module ${alike([type], plane)}`,
				plane
			};
		}
	}
}

/** Strings of one inverter are held at its voltages; branches of AC share nothing. */
function inverterOf(record: ArrayRecord, string: StringRecord): string {
	return isAcBranch(string) ? '' : (endOfString(record, string)?.id ?? '');
}

function ratedOfDevice(record: ArrayRecord, { devices }: StringRecord): number | null {
	if (devices === null || devices === 'unknown' || devices.kind !== 'micro-inverter') return null;
	const part = record.parts.find(({ id }) => id === devices.part);
	if (part?.kind !== 'micro-inverter' || part.specs.acWatts === null) return null;
	return part.specs.acWatts / devices.modulesPerDevice;
}

function alike(types: readonly string[], plane: TargetFacts['plane']): string {
	const counts = [...new Set(types)]
		.sort()
		.map((id) => `${id}x${types.filter((t) => t === id).length}`);
	return `${counts.join('+')} ${plane ? `${plane.tilt}/${plane.azimuth}` : '-'}`;
}

function planeById({ fields }: ArrayRecord, id: string): TargetFacts['plane'] {
	const field = fields.find((candidate) => candidate.id === id);
	return field && field.tilt !== null && field.azimuth !== null
		? { tilt: field.tilt, azimuth: field.azimuth }
		: null;
}

/** The one plane of some strings; null where they lie in several, or nobody knows. */
function planeOf(record: ArrayRecord, strings: readonly StringRecord[]): TargetFacts['plane'] {
	const ids = [...new Set(strings.flatMap(({ spans }) => spans.map(({ field }) => field)))];
	const planes = ids.map((id) => planeById(record, id));
	const [first = null] = planes;
	const same = planes.every(
		(plane) => plane?.tilt === first?.tilt && plane?.azimuth === first?.azimuth
	);
	return same ? first : null;
}
