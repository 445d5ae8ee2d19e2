import { type ArrayRecord, type StringRecord, typesInString } from '../../src/core/record';

/** Open-circuit volts of a string by its modules' labels, at 25 °C, V. */
export function labelVoltageOf(record: ArrayRecord, string: StringRecord): number {
	return typesInString(string).reduce(
		(sum, id) => sum + (record.moduleTypes.find((type) => type.id === id)?.plate.voc ?? 0),
		0
	);
}
