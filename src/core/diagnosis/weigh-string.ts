import { densityUnder, type DensityNodes } from './density-nodes';
import { RIGHT, unpredictedDensity, wrongDensity } from './evidence';
import type { LocatedWeight } from './located';
import { carriesNoCurrent, type StringClass } from './string-class';
import type { ClassTable } from './string-table';

/** A string's readings as numbers, each with its table. */
export interface Item {
	readonly measured: number;
	readonly table: number;
	readonly voltageOff: number;
	readonly repeated: number;
	readonly id: string;
	/** Density of the reading where it is right although no class predicts it, 1/V. */
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
	/** How unsure each class is of it. */
	readonly nodes: DensityNodes;
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

/** A current below this follows no temperature, A. */
const REST = 0.3;
/** An excess beyond so many standard uncertainties is not the temperature. */
const WARM = 2.5;

/** Wrong shares of the readings in hand, by reading and class; used anew for every string. */
let wrongShares: Float64Array[] = [];

/** Weighs every class of a string by the readings of the whole string, at one light and heat. */
export function weighString(
	classes: readonly StringClass[],
	items: readonly Item[],
	located: readonly LocatedWeight[] | null,
	tables: readonly ClassTable[],
	irradiance: number,
	cellTemperature: number
): StringWeight {
	const count = classes.length;
	const densities = new Float64Array(count).fill(1);
	const excess = new Float64Array(count);
	while (wrongShares.length < items.length) wrongShares.push(new Float64Array(count));
	if (wrongShares.some((shares) => shares.length < count)) {
		wrongShares = wrongShares.map(() => new Float64Array(count));
	}
	const predicted = { value: 0 as number | null, sigma: 1, scale: 1 };
	for (let i = 0; i < items.length; i++) {
		const {
			measured,
			table: index,
			voltageOff,
			repeated,
			nodes,
			elsewhere,
			perExcess,
			shared
		} = items[i]!;
		const { value, perIrradiance, perKelvin, perVolt, scale } = tables[index]!;
		const shares = wrongShares[i]!;
		predicted.scale = scale;
		let healthyDensity = 1;
		for (let c = 0; c < count; c++) {
			let fromTable =
				value[c]! +
				perIrradiance[c]! * irradiance +
				perKelvin[c]! * cellTemperature +
				perVolt[c]! * voltageOff;
			if (perExcess !== 0 && fromTable > REST) fromTable += perExcess * excess[c]!;
			const isKnown = !Number.isNaN(fromTable);
			const deviation = measured - fromTable;
			const width = nodes.widest[c]!;
			if (i === 0) {
				// Voltage above its prediction as far as the temperature of the cells may explain it.
				const most = WARM * width;
				excess[c] = isKnown ? Math.max(-most, Math.min(most, deviation)) : 0;
			}
			const right = isKnown ? RIGHT * densityUnder(nodes, c, deviation) : unpredictedDensity(scale);
			predicted.value = isKnown ? fromTable : null;
			predicted.sigma = width;
			const wrong = repeated * wrongDensity(measured, predicted);
			const all = right + elsewhere + wrong;
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
