/** What the insulation of an array is tested with, and what it has to reach, by system volts. */
interface InsulationRow {
	/** System volts below which the row holds, V: Voc at standard conditions x 1.25. */
	readonly below: number;
	/** V */
	readonly testVolts: number;
	/** Mohm */
	readonly least: number;
}

export const INSULATION: {
	readonly clause: string;
	readonly rows: readonly [InsulationRow, ...InsulationRow[]];
	/** Above this an array is tested by strings, or groups of at most so much, W. */
	readonly byGroupsAbove: number;
} = {
	clause: 'IEC 62446-1, insulation test, not verified',
	rows: [
		{ below: 120, testVolts: 250, least: 0.5 },
		{ below: 500, testVolts: 500, least: 1 },
		{ below: 1000, testVolts: 1000, least: 1 },
		{ below: Infinity, testVolts: 1500, least: 1 }
	],
	byGroupsAbove: 10_000
};

/** Factor from open-circuit volts at standard conditions to system volts. */
const SYSTEM_FACTOR = 1.25;

/** The row for strings of so many volts at standard conditions. */
export function insulationRow(labelVoltage: number): InsulationRow {
	const voltage = labelVoltage * SYSTEM_FACTOR;
	return INSULATION.rows.find(({ below }) => voltage < below) ?? INSULATION.rows[0];
}
