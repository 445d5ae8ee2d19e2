import { cellsOf, type Field } from './field';
import type { ArrayRecord, StringRecord } from './record';

/** Fields that face the same way: their modules receive the same irradiance. */
export interface Plane {
	/** "25/90": tilt and azimuth to the nearest degree. */
	readonly id: string;
	/** From level, deg. */
	readonly tilt: number;
	/** Clockwise from north, deg; 0 where the plane is level. */
	readonly azimuth: number;
	readonly fieldIds: readonly string[];
	/** Names of its fields, for people. */
	readonly name: string;
}

function planeIdOf({ tilt, azimuth }: Field): string | null {
	if (tilt === null) return null;
	if (Math.round(tilt) === 0) return '0/0';
	return azimuth === null ? null : `${Math.round(tilt)}/${Math.round(azimuth) % 360}`;
}

/**
 * The planes of a record, in the order of their first field. A field whose tilt or azimuth nobody
 * recorded belongs to none.
 */
export function planesOf({ fields }: Pick<ArrayRecord, 'fields'>): readonly Plane[] {
	const planes = new Map<string, Plane>();
	for (const field of fields) {
		const id = planeIdOf(field);
		if (id === null) continue;
		const known = planes.get(id);
		planes.set(id, {
			id,
			tilt: known?.tilt ?? field.tilt!,
			azimuth: known?.azimuth ?? (id === '0/0' ? 0 : field.azimuth!),
			fieldIds: [...(known?.fieldIds ?? []), field.id],
			name: known ? `${known.name}, ${field.name}` : field.name
		});
	}
	return [...planes.values()];
}

/** Where the modules of a string lie. */
export interface StringPlanes {
	/** The plane of most of its modules; null where that is not recorded. */
	readonly main: Plane | null;
	/** Plane of each module from the negative end, [modules]; empty where all lie in the main one. */
	readonly ofModules: readonly Plane[];
}

/**
 * The planes a string lies on. A module that is not placed is taken to lie with most of its string,
 * and every string lies in the only plane of a record that has just one.
 */
export function planesOfString(
	planes: readonly Plane[],
	{ spans, moduleCount }: Pick<StringRecord, 'spans' | 'moduleCount'>
): StringPlanes {
	if (planes.length <= 1) return { main: planes[0] ?? null, ofModules: [] };
	const planeOfField = new Map(
		planes.flatMap((plane) => plane.fieldIds.map((id) => [id, plane] as const))
	);
	const placed = cellsOf(spans, moduleCount).map(
		(cell) => (cell && planeOfField.get(cell.field)) ?? null
	);
	const counts = new Map<Plane, number>();
	for (const plane of placed) if (plane) counts.set(plane, (counts.get(plane) ?? 0) + 1);
	const [most] = [...counts].sort((a, b) => b[1] - a[1]);
	if (!most) return { main: null, ofModules: [] };
	const [main] = most;
	return { main, ofModules: counts.size > 1 ? placed.map((plane) => plane ?? main) : [] };
}
