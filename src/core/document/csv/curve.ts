import { READING_LIMITS } from '../reading';
import { figureCell, type Column, type ReadLine } from './table';

/** Columns of a measured curve. */
export const CURVE_COLUMNS = {
	volts: {
		heading: 'Voltage (V)',
		aliases: ['v', 'u', 'volts', 'voltage', 'vdc', 'spannung'],
		required: true,
		read: figureCell(READING_LIMITS.volts)
	} as Column<number>,
	amps: {
		heading: 'Current (A)',
		aliases: ['i', 'a', 'amps', 'current', 'idc', 'strom'],
		required: true,
		read: figureCell(READING_LIMITS.amps)
	} as Column<number>
} as const;

/** Points of a curve in the order of their volts, each volt once: the last of equal ones stands. */
export function pointsOfLines(
	lines: readonly ReadLine<typeof CURVE_COLUMNS>[]
): [volts: number, amps: number][] {
	const byVoltage = new Map(lines.map(({ values }) => [values.volts!, values.amps!]));
	return [...byVoltage].sort((a, b) => a[0] - b[0]);
}

/** Typed points: one a line or parted by semicolons, volts then amps. */
export function pointsOfText(text: string): [volts: number, amps: number][] | null {
	const pairs = text
		.split(/[\n;]+/)
		.map((line) => line.trim())
		.filter(Boolean)
		.map((line) => line.split(/[\s/|]+/).map((cell) => Number(cell.replace(',', '.'))));
	if (pairs.some((pair) => pair.length !== 2 || pair.some((value) => !Number.isFinite(value)))) {
		return null;
	}
	return (pairs as [number, number][]).toSorted((a, b) => a[0] - b[0]);
}
