import { rightDensity, wrongDensity, type Foretold, type Spread } from './evidence';
import type { LocatedWeight } from './located';
import { carriesNoCurrent, type StringClass } from './string-class';
import type { ClassTable } from './string-table';

/** A string's readings as numbers, each with its table. */
export interface Item {
	readonly measured: number;
	readonly table: number;
	readonly voltsOff: number;
	readonly repeated: number;
	readonly id: string;
	/** Density of the reading where it is right although no class foretells it, 1/V. */
	readonly elsewhere: number;
	/**
	 * Whether the reading is that of several strings together: it then counts as far as a class makes it
	 * likelier than a healthy string does.
	 */
	readonly shared: boolean;
	/**
	 * Of a current: its change with the excess of the string's voltage over its prediction, as far as that
	 * excess is a matter of the cells' temperature, A/V; 0 where no voltage was read.
	 */
	readonly perExcess: number;
	/** How unsure each class is of it, [classes]. */
	readonly spreads: readonly Spread[];
}

/** What one light and heat make of a string's readings. */
export interface StringWeight {
	/** Of all readings of the whole string under each class. */
	readonly densities: Float64Array;
	/** Density of everything read at the string if it is healthy. */
	readonly healthy: number;
	/** The same if it has a fault, each weighed by its prior, summed. */
	readonly faulty: number;
	/** Of that the faults with which no current flows while it runs. */
	readonly stopped: number;
	/** Chance of a fault before anything is read. */
	readonly prior: number;
	/** Chance that every reading is right, given that the string is healthy. */
	readonly right: number;
	/** Per reading: chance that it is wrong under a healthy string, and summed over the faults by their weight. */
	readonly wrong: readonly { readonly healthy: number; readonly faulty: number }[];
}

/** Faults of a string may not become likelier than this before anything is read. */
const MOST_FAULTY = 0.9;

/** Prior of a healthy string where faults are so many times as frequent as usual. */
export function healthyPrior(prior: number, frequency: number): number {
	return 1 - Math.min(MOST_FAULTY, prior * frequency);
}

/** Factor on the prior of each fault there. */
export function faultFactor(prior: number, frequency: number): number {
	return prior > 0 ? Math.min(MOST_FAULTY, prior * frequency) / prior : 0;
}

/** Density of everything read at a string, where faults are so many times as frequent as usual. */
export function totalOf({ healthy, faulty, prior }: StringWeight, frequency: number): number {
	return healthyPrior(prior, frequency) * healthy + faultFactor(prior, frequency) * faulty;
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

/** A current below this follows no temperature, A. */
const REST = 0.3;
/** An excess beyond so many standard uncertainties is not the temperature. */
const WARM = 2.5;

/** Voltage above its prediction, V, as far as the temperature of the cells may explain it. */
function excessOf(measured: number, { value, sigma }: Foretold): number {
	return value === null ? 0 : Math.max(-WARM * sigma, Math.min(WARM * sigma, measured - value));
}

const SCRATCH: { value: number | null; sigma: number; scale: number; spread: Spread } = {
	value: 0,
	sigma: 1,
	scale: 1,
	spread: { sigmas: [1], weights: [1] }
};

function foretold(
	table: ClassTable,
	c: number,
	light: number,
	heat: number,
	volts: number,
	spread: Spread
): Foretold {
	const value = valueAt(table, c, light, heat, volts);
	SCRATCH.value = Number.isNaN(value) ? null : value;
	// The last of a spread is the model's tail; a mistake is told by the largest of the others.
	SCRATCH.sigma = spread.sigmas.at(-2)!;
	SCRATCH.spread = spread;
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
	const excess = new Float64Array(count);
	while (wrongShares.length < items.length) wrongShares.push(new Float64Array(count));
	if (wrongShares.some((shares) => shares.length < count)) {
		wrongShares = wrongShares.map(() => new Float64Array(count));
	}
	for (let i = 0; i < items.length; i++) {
		const { measured, table: index, voltsOff, repeated, spreads, elsewhere, perExcess, shared } = items[i]!;
		const table = tables[index]!;
		const shares = wrongShares[i]!;
		let healthyDensity = 1;
		for (let c = 0; c < count; c++) {
			const f = foretold(table, c, light, heat, voltsOff, spreads[c]!);
			if (perExcess !== 0 && f.value !== null && f.value > REST) {
				SCRATCH.value = f.value + perExcess * excess[c]!;
			}
			if (i === 0) excess[c] = excessOf(measured, f);
			const wrong = repeated * wrongDensity(measured, f);
			const all = rightDensity(measured, f) + elsewhere + wrong;
			if (c === 0) healthyDensity = all;
			densities[c]! *= shared ? all / healthyDensity : all;
			shares[c] = wrong / all;
		}
	}
	let faulty = 0;
	let stopped = 0;
	let prior = 0;
	const wrong = items.map((_, i) => ({ healthy: wrongShares[i]![0]!, faulty: 0 }));
	for (let c = 1; c < count; c++) {
		const weight = classes[c]!.prior * densities[c]! * (located?.[c]!.mean ?? 1);
		faulty += weight;
		if (carriesNoCurrent(classes[c]!)) stopped += weight;
		prior += classes[c]!.prior;
		for (let i = 0; i < wrong.length; i++) wrong[i]!.faulty += weight * wrongShares[i]![c]!;
	}
	const healthy = densities[0]! * (located?.[0]!.mean ?? 1);
	const right = wrong.reduce((product, one) => product * (1 - one.healthy), 1);
	return { densities, healthy, faulty, stopped, prior, right, wrong };
}
