import { transposeIrradiance } from '../conditions';
import { type ArrayRecord, type Plane, planesOf } from '../record';
import { millisOf } from '../units';
import { OTHER_PLANE } from './allowances';
import type { ConditionsEntry, Visit } from '../visit';

/** How much warmer cells become with irradiance, K per W/m2: 25 K at 800 W/m2 (IEC 61215, a usual NOCT of 45 degC). */
const WARMING = 25 / 800;
/** Uncertainty of that warming, as a share of it; Zembo default. */
const WARMING_UNCERTAINTY = 0.3;

/** The plane an entry was measured on; null where nobody said. */
export function planeOfEntry(
	planes: readonly Plane[],
	{ fieldId }: Pick<ConditionsEntry, 'fieldId'>
): Plane | null {
	return planes.find((plane) => fieldId !== null && plane.fieldIds.includes(fieldId)) ?? null;
}

/**
 * The conditions of a visit as they hold for one plane. Entries measured on the plane count as they are.
 * Where there are none, those of another plane are carried over: by the position of the sun where the
 * array's location is recorded, else with so wide an uncertainty that the plane's own strings decide.
 *
 * @param plane null for strings whose plane is not recorded
 */
export function conditionsForPlane(
	record: Pick<ArrayRecord, 'fields' | 'location'>,
	visit: Pick<Visit, 'conditions'>,
	plane: Plane | null
): readonly ConditionsEntry[] {
	const planes = planesOf(record);
	if (planes.length <= 1) return visit.conditions;
	const own = visit.conditions.filter((entry) => planeOfEntry(planes, entry)?.id === plane?.id);
	if (plane !== null && own.length > 0) return own;
	return visit.conditions.map((entry) =>
		carriedOver(entry, planeOfEntry(planes, entry), plane, record.location)
	);
}

function carriedOver(
	entry: ConditionsEntry,
	from: Plane | null,
	to: Plane | null,
	location: ArrayRecord['location']
): ConditionsEntry {
	const { irradiance, cellTemperature } = entry;
	const transposed =
		from && to && location
			? transposeIrradiance(irradiance.value, from, to, millisOf(entry.enteredAt), {
					latitude: location.latitude,
					longitude: location.longitude,
					altitude: location.altitude ?? undefined
				})
			: null;
	if (!transposed) return widened(entry);
	const warming = WARMING * (transposed.value - irradiance.value);
	return {
		...entry,
		irradiance: {
			...irradiance,
			value: transposed.value,
			relativeStandardUncertainty: Math.hypot(
				irradiance.relativeStandardUncertainty,
				transposed.relativeStandardUncertainty
			)
		},
		cellTemperature: {
			...cellTemperature,
			value: cellTemperature.value + warming,
			standardUncertainty: Math.hypot(
				cellTemperature.standardUncertainty,
				WARMING_UNCERTAINTY * warming,
				1
			)
		}
	};
}

/** Conditions of another plane, which say little of this one. */
export function widened(entry: ConditionsEntry): ConditionsEntry {
	const { irradiance, cellTemperature } = entry;
	return {
		...entry,
		irradiance: {
			...irradiance,
			relativeStandardUncertainty: Math.hypot(
				irradiance.relativeStandardUncertainty,
				OTHER_PLANE.irradiance
			)
		},
		cellTemperature: {
			...cellTemperature,
			standardUncertainty: Math.hypot(cellTemperature.standardUncertainty, OTHER_PLANE.temperature)
		}
	};
}

/** The conditions of one plane of an array as they stand, for people. */
export interface CurrentPlaneConditions {
	/** Null where the record has no plane, or one alone. */
	readonly plane: Plane | null;
	/** The last entry as it holds for the plane; null where nothing is entered. */
	readonly entry: ConditionsEntry | null;
	/** Measured on this very plane, carried over from another, or measured on a plane that nobody named. */
	readonly source: 'measured' | 'carried-over' | 'plane-not-stated';
}

/** What stands for each plane of an array, in the order of its fields. */
export function currentConditionsByPlane(
	record: Pick<ArrayRecord, 'fields' | 'location'>,
	visit: Pick<Visit, 'conditions'>
): readonly CurrentPlaneConditions[] {
	const planes = planesOf(record);
	const last = (plane: Plane | null) => conditionsForPlane(record, visit, plane).at(-1) ?? null;
	if (planes.length <= 1) return [{ plane: null, entry: last(null), source: 'measured' }];
	const stated = visit.conditions.map((entry) => planeOfEntry(planes, entry));
	if (stated.every((plane) => plane === null)) {
		const entry = visit.conditions.at(-1) ?? null;
		return [{ plane: null, entry, source: 'plane-not-stated' }];
	}
	return planes.map((plane) => ({
		plane,
		entry: last(plane),
		source: stated.includes(plane) ? 'measured' : 'carried-over'
	}));
}
