import { type BatchNameplate, NO_LABEL } from '$core/bench';
import type { Random } from '$core/numerics';

/*
 * Modules by a model with two diodes in each cell and temperature laws of its own: other physics than the grading uses,
 * which knows one diode and coefficients.
 */

/** Boltzmann's constant over the charge of an electron, V/K. */
const K = 8.617e-5;
const BAND_GAP = 1.12;
const REFERENCE = 298.15;

/** A module as it is. */
export interface DrawnModule {
	readonly cells: number;
	/** Light current at 1000 W/m2 and 25 degC, A. */
	readonly current: number;
	/** Saturation currents of both diodes at 25 degC, A. */
	readonly first: number;
	readonly second: number;
	/** Of a cell, ohm. */
	readonly series: number;
	readonly shunt: number;
}

/** What a meter would show of a module. */
export interface Shown {
	readonly voc: number;
	readonly isc: number;
	readonly pmax: number;
	readonly vmp: number;
	readonly imp: number;
	/** Current at a voltage, A. */
	readonly at: (voltage: number) => number;
}

/** A new module, somewhat above or below its nameplate. */
export function drawModule(random: Random): { module: DrawnModule; label: BatchNameplate } {
	const current = random.between(7.8, 10.2);
	const perCell = random.between(0.61, 0.66);
	const nominal: DrawnModule = {
		cells: random.chance(0.5) ? 60 : 72,
		current,
		first: current / Math.exp(perCell / (K * REFERENCE)),
		second: 1e-7 * random.between(0.3, 2),
		series: random.between(0.003, 0.006),
		shunt: random.between(8, 40)
	};
	const { voc, isc, pmax, vmp, imp } = shownBy(nominal, 1000, 25);
	const label: BatchNameplate = {
		...NO_LABEL,
		technology: 'mono-PERC',
		cellsInSeries: nominal.cells,
		pmax: Math.round(pmax),
		vmp: round(vmp, 1),
		imp: round(imp, 2),
		voc: round(voc, 1),
		isc: round(isc, 2)
	};
	return { module: { ...nominal, current: current * random.between(0.99, 1.03) }, label };
}

const round = (value: number, digits: number) => Number(value.toFixed(digits));

/** The same module after years: less current, leakier diodes. */
export function aged(module: DrawnModule, random: Random): DrawnModule {
	return {
		...module,
		current: module.current * random.between(0.62, 1),
		first: module.first * random.between(1, 3),
		shunt: module.shunt * random.between(0.3, 1)
	};
}

/** The same with corroded connectors. */
export const corroded = (module: DrawnModule, by: number): DrawnModule => ({
	...module,
	series: module.series * by
});

/** @param irradiance W/m2, @param celsius of the cells */
export function shownBy(module: DrawnModule, irradiance: number, celsius: number): Shown {
	const kelvin = celsius + 273.15;
	const thermal = K * kelvin;
	const rises = (share: number) => BAND_GAP * (1 / (K * REFERENCE) - 1 / thermal) * share;
	const photocurrent = module.current * (irradiance / 1000) * (1 + 0.0005 * (celsius - 25));
	const first = module.first * (kelvin / REFERENCE) ** 3 * Math.exp(rises(1));
	const second = module.second * (kelvin / REFERENCE) ** 2.5 * Math.exp(rises(0.5));
	/** Current of a cell whose junction has a voltage. */
	const through = (junction: number) =>
		photocurrent -
		first * (Math.exp(junction / thermal) - 1) -
		second * (Math.exp(junction / (2 * thermal)) - 1) -
		junction / module.shunt;
	const junctionWhere = (wanted: (junction: number) => number) => {
		let [low, high] = [-0.1, 0.9];
		for (let i = 0; i < 60; i++) {
			const middle = (low + high) / 2;
			if (wanted(middle) > 0) low = middle;
			else high = middle;
		}
		return (low + high) / 2;
	};
	const at = (voltage: number) => {
		const cell = voltage / module.cells;
		return through(
			junctionWhere((junction) => cell - (junction - through(junction) * module.series))
		);
	};
	const voc = module.cells * junctionWhere(through);
	let [pmax, vmp] = [0, 0];
	for (let share = 0.6; share <= 0.95; share += 0.0025) {
		const power = share * voc * at(share * voc);
		if (power > pmax) [pmax, vmp] = [power, share * voc];
	}
	return { voc, isc: at(0), pmax, vmp, imp: pmax / vmp, at };
}
