import { type ArrayRecord, cellsOf, endOfString, type Field, type StringRecord } from '../record';
import { targetKey, type Target } from './target';

/** Fields of the record that hold units whose orientation was inferred. */
export interface FieldsToRecord {
	/** Fields with what was missing filled in: tilt, azimuth, or both, degrees. */
	readonly fields: readonly Field[];
	/** Fields that hold units of another orientation as well: they are no one plane. */
	readonly mixed: readonly Field[];
	/** Fields whose recorded tilt or azimuth contradicts what was inferred. */
	readonly contradicting: readonly Field[];
}

interface Orientation {
	/** Keys of the units' targets. */
	readonly units: readonly string[];
	readonly tilt: number;
	readonly azimuth: number;
}

/** A recorded angle this far from the inferred one contradicts it, degrees; twice what is inferred wrong by. */
const CONTRADICTS = { tilt: 12, azimuth: 20 };

/**
 * What the record can take of orientations inferred from an export: the fields in which the units' modules lie,
 * where a tilt or an azimuth is missing. A field is one plane, so one with units of two orientations takes neither.
 *
 * @param targets the parts of the record that the export's units are
 * @returns by orientation, in the same order
 */
export function fieldsToRecord(
	record: ArrayRecord,
	targets: readonly Target[],
	orientations: readonly Orientation[]
): FieldsToRecord[] {
	const targetOf = new Map(targets.map((target) => [targetKey(target), target]));
	const touched = orientations.map(
		({ units }) =>
			new Set(
				units.flatMap((key) => {
					const target = targetOf.get(key);
					return target ? fieldsOf(record, target) : [];
				})
			)
	);
	return orientations.map(({ tilt, azimuth }, i) => {
		const mine = record.fields.filter(
			(field) => touched[i]!.has(field.id) && (field.tilt === null || field.azimuth === null)
		);
		const isMixed = ({ id }: Field) => touched.some((some, other) => other !== i && some.has(id));
		const contradicts = (field: Field) =>
			(field.tilt !== null && Math.abs(field.tilt - tilt) > CONTRADICTS.tilt) ||
			(field.azimuth !== null && degreesBetween(field.azimuth, azimuth) > CONTRADICTS.azimuth);
		const plain = mine.filter((field) => !isMixed(field));
		return {
			fields: plain
				.filter((field) => !contradicts(field))
				.map((field) => ({
					...field,
					tilt: field.tilt ?? tilt,
					azimuth: field.azimuth ?? azimuth
				})),
			mixed: mine.filter(isMixed),
			contradicting: plain.filter(contradicts)
		};
	});
}

/** Ids of the fields in which a unit's modules lie. */
function fieldsOf(record: ArrayRecord, target: Target): string[] {
	const ofString = ({ spans }: StringRecord) => spans.map(({ field }) => field);
	switch (target.kind) {
		case 'array':
			return record.strings.flatMap(ofString);
		case 'inverter':
			return record.strings
				.filter((string) => endOfString(record, string)?.id === target.part)
				.flatMap(ofString);
		case 'string':
			return record.strings.filter(({ id }) => id === target.string).flatMap(ofString);
		case 'module': {
			const string = record.strings.find(({ id }) => id === target.string);
			const cell = string && cellsOf(string.spans, string.moduleCount)[target.module - 1];
			return cell ? [cell.field] : [];
		}
	}
}

function degreesBetween(a: number, b: number): number {
	const difference = Math.abs(a - b) % 360;
	return Math.min(difference, 360 - difference);
}
