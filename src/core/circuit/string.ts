import { currentAt, voltageAt, type SingleDiode } from '../module/single-diode';
import { fallingRoot } from './bracket';

/**
 * One string in even light as a series circuit. Equal sections are computed once and multiplied.
 */
export interface StringCircuit {
	/** One module at the present light and temperature. */
	readonly module: SingleDiode;
	readonly sectionsPerModule: number;
	/** Sections that carry the current the right way round. */
	readonly forwardSections: number;
	/** Sections turned round with their module. */
	readonly reversedSections: number;
	/** Sections whose cells are open, so that their bypass diode carries the string's current. */
	readonly diodeSections: number;
	/** Cable, connectors and whatever else stands in series, ohm. */
	readonly seriesResistance: number;
	/** The path is interrupted somewhere between the string's two ends. */
	readonly open: boolean;
	/** The two leads have changed places at the far end. */
	readonly leadsReversed: boolean;
}

/** A bypass diode carrying current: Shockley, 0.5 uA, ideality 1.05, at 25 degC (a Schottky part). */
const BYPASS_SATURATION = 5e-7;
const BYPASS_THERMAL_VOLTAGE = 1.05 * 0.025693;

/** A whole string of equal modules. */
export function wholeString(
	module: SingleDiode,
	modules: number,
	sectionsPerModule: number,
	seriesResistance: number
): StringCircuit {
	return {
		module,
		sectionsPerModule,
		forwardSections: modules * sectionsPerModule,
		reversedSections: 0,
		diodeSections: 0,
		seriesResistance,
		open: false,
		leadsReversed: false
	};
}

/**
 * Volts between the string's leads at a current in A out of the positive lead; NaN-free. An open
 * string has no voltage of its own: 0, since a meter's resistance pulls the floating end down.
 */
export function stringVoltageAt(string: StringCircuit, amps: number): number {
	if (string.open) return 0;
	const sign = string.leadsReversed ? -1 : 1;
	return sign * seriesVoltage(string, sign * amps);
}

function seriesVoltage(string: StringCircuit, amps: number): number {
	const perSection = 1 / string.sectionsPerModule;
	let volts = string.forwardSections * perSection * voltageAt(string.module, amps);
	if (string.reversedSections > 0) {
		volts -= string.reversedSections * perSection * voltageAt(string.module, -amps);
	}
	if (string.diodeSections > 0 && amps > 0) volts -= diodeDrop(string, amps);
	return volts - amps * string.seriesResistance;
}

/** Volts of the isolated string, V; negative where its leads have changed places. */
export function stringOpenCircuit(string: StringCircuit): number {
	return stringVoltageAt(string, 0);
}

/**
 * Current into whatever holds the string's leads at a voltage, A; negative is back-feed.
 *
 * A string of forward sections alone is one single diode with its resistances, volts and
 * seriesResistance scaled, so it is solved as one; any other is bracketed.
 */
export function stringCurrentAt(string: StringCircuit, volts: number): number {
	if (string.open) return 0;
	if (string.leadsReversed) return -seriesCurrent(string, -volts);
	return seriesCurrent(string, volts);
}

function seriesCurrent(string: StringCircuit, volts: number): number {
	if (string.reversedSections === 0) {
		const one = asOneDiode(string);
		if (string.diodeSections === 0) return currentAt(one, volts);
		const settled = behindDiodes(string, one, volts);
		if (settled !== null) return settled;
	}
	const { module } = string;
	const surplus = (amps: number) => seriesVoltage(string, amps) - volts;
	let low = -1;
	while (surplus(low) <= 0 && low > -1e6) low *= 4;
	return fallingRoot(surplus, low, module.photocurrent * 2 + 1, 1e-9);
}

/**
 * Fixed point of the current through cells and carrying diodes: a diode's volts hardly follow its
 * current, so a few rounds settle it, except near zero current, where null says so.
 */
function behindDiodes(string: StringCircuit, one: SingleDiode, volts: number): number | null {
	let amps = currentAt(one, volts);
	for (let round = 0; round < 20; round++) {
		if (amps <= 0.01) return null;
		const next = currentAt(one, volts + diodeDrop(string, amps));
		const settled = Math.abs(next - amps) < 1e-10;
		amps = next;
		if (settled) return amps;
	}
	return null;
}

function diodeDrop(string: StringCircuit, amps: number): number {
	return string.diodeSections * BYPASS_THERMAL_VOLTAGE * Math.log1p(amps / BYPASS_SATURATION);
}

function asOneDiode(string: StringCircuit): SingleDiode {
	const { module } = string;
	const modules = string.forwardSections / string.sectionsPerModule;
	return {
		photocurrent: module.photocurrent,
		saturationCurrent: module.saturationCurrent,
		seriesResistance: module.seriesResistance * modules + string.seriesResistance,
		shuntResistance: module.shuntResistance * modules,
		modifiedIdeality: module.modifiedIdeality * modules
	};
}
