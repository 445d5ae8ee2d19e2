import { rightDensity, wrongDensity, type Foretold } from './evidence';
import type { LocatedWeight } from './located';
import type { StringClass } from './string-class';
import type { ClassTable } from './string-table';

/** A string's readings as numbers, each with its table. */
export interface Item {
	readonly measured: number;
	readonly table: number;
	readonly voltsOff: number;
	readonly repeated: number;
	readonly id: string;
}

/** What one light and heat make of a string's readings. */
export interface StringWeight {
	/** Of all readings of the whole string under each class. */
	readonly densities: Float64Array;
	/** Priors times densities times located weight, summed. */
	readonly total: number;
	readonly wholeAndRight: number;
	/** Per reading: its wrong share summed over the classes, of the total. */
	readonly wrong: readonly number[];
}

/** Foretold values of a table at an offset from its middle, into the scratch given. */
function valueAt(table: ClassTable, c: number, light: number, heat: number, volts: number): number {
	return (
		table.value[c]! +
		table.perLight[c]! * light +
		table.perHeat[c]! * heat +
		table.perVolt[c]! * volts
	);
}

const SCRATCH: { value: number | null; sigma: number; scale: number } = {
	value: 0,
	sigma: 1,
	scale: 1
};

function foretold(
	table: ClassTable,
	c: number,
	light: number,
	heat: number,
	volts: number
): Foretold {
	const value = valueAt(table, c, light, heat, volts);
	SCRATCH.value = Number.isNaN(value) ? null : value;
	SCRATCH.sigma = table.sigma[c]!;
	SCRATCH.scale = table.scale;
	return SCRATCH;
}

/** Wrong shares of the readings in hand, by reading and class; used anew for every string. */
let wrongShares: Float64Array[] = [];

/** Weighs every class of a string by the readings of the whole string, at one light and heat. */
export function weighString(
	classes: readonly StringClass[],
	items: readonly Item[],
	located: readonly LocatedWeight[] | null,
	tables: readonly ClassTable[],
	light: number,
	heat: number
): StringWeight {
	const count = classes.length;
	const densities = new Float64Array(count).fill(1);
	while (wrongShares.length < items.length) wrongShares.push(new Float64Array(count));
	if (wrongShares.some((shares) => shares.length < count)) {
		wrongShares = wrongShares.map(() => new Float64Array(count));
	}
	for (let i = 0; i < items.length; i++) {
		const { measured, table: index, voltsOff, repeated } = items[i]!;
		const table = tables[index]!;
		const shares = wrongShares[i]!;
		for (let c = 0; c < count; c++) {
			const f = foretold(table, c, light, heat, voltsOff);
			const wrong = repeated * wrongDensity(measured, f);
			const all = rightDensity(measured, f) + wrong;
			densities[c]! *= all;
			shares[c] = wrong / all;
		}
	}
	let total = 0;
	const wrong = items.map(() => 0);
	for (let c = 0; c < count; c++) {
		const weight = classes[c]!.prior * densities[c]! * (located?.[c]!.mean ?? 1);
		total += weight;
		for (let i = 0; i < wrong.length; i++) wrong[i]! += weight * wrongShares[i]![c]!;
	}
	let right = (classes[0]!.prior * densities[0]! * (located?.[0]!.mean ?? 1)) / total;
	for (let i = 0; i < items.length; i++) right *= 1 - wrongShares[i]![0]!;
	return { densities, total, wholeAndRight: right, wrong: wrong.map((sum) => sum / total) };
}
