import { MONITORED_QUANTITIES, MONITORED_QUANTITY_FACTS } from './monitored-quantity';

/** Headings of an export as they stand above its data, in one line or in several. */
export interface Headings {
	/** Place of the lowest line with headings, from 0; null where there are none. */
	readonly at: number | null;
	readonly headings: readonly string[];
}

/** The headings above a line of data: names with their units of measure, and what stands over several columns. */
export function headingsAbove(rows: readonly (readonly string[])[], dataAt: number): Headings {
	const width = rows[dataAt]!.length;
	const at = lineAbove(rows, dataAt, width);
	if (at === null) return { at, headings: [] };
	const units = isRowOfUnits(rows[at]!) ? rows[at]! : null;
	const namesAt = units ? lineAbove(rows, at, width) : at;
	const names = namesAt === null ? [] : rows[namesAt]!.map((cell) => cell.trim());
	const whole = namesAt === null ? names : underSpans(rows, namesAt, names);
	return {
		at,
		headings: units
			? Array.from({ length: Math.max(whole.length, units.length) }, (_, i) => {
					const unit = (units[i] ?? '').trim().replace(/^[[(]|[\])]$/g, '');
					return unit === '' ? (whole[i] ?? '') : `${whole[i] ?? ''} (${unit})`;
				})
			: whole
	};
}

/** The nearest line above the data that has a name for nearly every column. */
function lineAbove(rows: readonly (readonly string[])[], at: number, width: number): number | null {
	for (let i = at - 1; i >= 0; i--) {
		const named = rows[i]!.filter((cell) => cell.trim() !== '').length;
		if (named > 0 && named >= Math.min(2, width) && named >= width / 2) return i;
	}
	return null;
}

/** Whether a line under the names holds nothing but units of measure: ",kW,kW". */
function isRowOfUnits(row: readonly string[]): boolean {
	const some = row.map((cell) => cell.trim()).filter((cell) => cell !== '');
	const units = some.filter((cell) => {
		const symbol = cell.replace(/^[[(]|[\])]$/g, '');
		return MONITORED_QUANTITIES.some(
			(watched) => MONITORED_QUANTITY_FACTS[watched].units[symbol] !== undefined
		);
	});
	return some.length > 0 && units.length >= 0.6 * some.length;
}

/**
 * Where columns share their headings ("Power", "Voltage", "Power", "Voltage"), the line above names what they are of,
 * each name standing over its first column or over each.
 */
function underSpans(
	rows: readonly (readonly string[])[],
	namesAt: number,
	names: readonly string[]
): readonly string[] {
	const some = names.filter((name) => name !== '');
	const above = rows[namesAt - 1];
	if (new Set(some).size === some.length || !above) return names;
	let over = '';
	const whole = names.map((name, i) => {
		over = (above[i] ?? '').trim() || over;
		return name === '' || over === '' ? name : `${over} ${name}`;
	});
	const distinct = whole.filter((name) => name !== '');
	return new Set(distinct).size === distinct.length ? whole : names;
}
