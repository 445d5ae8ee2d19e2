import { type ModuleRun, type StringCircuit, WHOLE_SUBSTRING } from '../circuit';
import { maximumPowerPoint, type Nameplate, type SingleDiode, translate } from '../module';
import type { SiteRules } from '../record';
import { coldFactor } from '../design-checks';
import type { ModuleResult } from './evaluate';
import { fitOf } from './nameplate-of';

/** A module with what it gives by its test, or by its label where it is new. */
export interface TestedModule {
	readonly id: string;
	readonly mark: string;
	readonly model: string;
	/** As it is now, at standard conditions. */
	readonly plate: Nameplate;
	/** As its label has it, W. */
	readonly labelWatts: number;
	/** Maximum series fuse, A; null where unknown. */
	readonly seriesFuse: number | null;
}

/** Light and heat for which modules are put together. */
export interface Sky {
	/** W/m2 */
	readonly irradiance: number;
	/** degC */
	readonly cellTemperature: number;
}

/** Full sun on a warm day: where most of a year's energy is made. */
export const WARM_SUN: Sky = { irradiance: 1000, cellTemperature: 45 };

/**
 * A module of the batch as it tested: volts and amps of its label by their shares; the whole of the share
 * on the current where power alone was read.
 *
 * @returns null where it makes nothing, or nothing is known of it
 */
export function asTested(result: ModuleResult): TestedModule | null {
	const { module, nameplate, shares, share, estimate } = result;
	if (!nameplate) return null;
	const power = estimate ? 1 : share;
	if (power === null || power < 0.02) return null;
	const voltage = estimate ? 1 : Math.min(1.1, Math.max(Math.abs(shares.voltage ?? 1), 0.05));
	// What watts say beyond volts and amps is fill factor; on the current it limits a string as it should.
	const current = power / voltage;
	return {
		id: module.id,
		mark: module.mark,
		model: module.model,
		labelWatts: nameplate.pmax,
		seriesFuse: module.label.seriesFuse,
		plate: {
			...nameplate,
			voc: nameplate.voc * voltage,
			vmp: nameplate.vmp * voltage,
			isc: nameplate.isc * current,
			imp: nameplate.imp * current,
			pmax: nameplate.pmax * power
		}
	};
}

/**
 * A module that nobody tested yet, as its nameplate has it.
 *
 * @returns null where its nameplate is not complete, or it was tested
 */
export function asNameplate({ module, nameplate, estimate }: ModuleResult): TestedModule | null {
	if (!nameplate || estimate || module.takes.length > 0) return null;
	return {
		id: module.id,
		mark: module.mark,
		model: module.model,
		labelWatts: nameplate.pmax,
		seriesFuse: module.label.seriesFuse,
		plate: nameplate
	};
}

/** A module in light and heat. */
export function moduleIn({ plate: nameplate }: Pick<TestedModule, 'plate'>, sky: Sky): SingleDiode {
	return translate(fitOf(nameplate), sky.irradiance, sky.cellTemperature);
}

/** The most a module gives by itself there, W. */
export function powerAlone(module: Pick<TestedModule, 'plate'>, sky: Sky): number {
	const { volts: voltage, amps: current } = maximumPowerPoint(moduleIn(module, sky));
	return voltage * current;
}

/** Open-circuit volts of a module at the lowest temperature, V; its label's where that is not known. */
export function coldVoltage(
	{ plate: nameplate }: Pick<TestedModule, 'plate'>,
	rules: Pick<SiteRules, 'profile' | 'lowest'>
): number {
	// The US table is for crystalline silicon; others have the coefficient that is typical of them.
	const cold = coldFactor(nameplate, rules) ?? coldFactor(nameplate, { ...rules, profile: 'IEC' });
	return nameplate.voc * (cold?.factor ?? 1);
}

/** A whole module as a run of a circuit. */
function runOf(module: Pick<TestedModule, 'plate'>, sky: Sky): ModuleRun {
	const { sections: substrings, cellsInSeries } = module.plate;
	return {
		count: 1,
		params: moduleIn(module, sky),
		sections: Array.from({ length: substrings }, () => WHOLE_SUBSTRING),
		state: 'whole',
		cellsInSeries
	};
}

/** Modules in series as a circuit, from the negative end. */
export function stringOf(
	name: string,
	modules: readonly Pick<TestedModule, 'plate'>[],
	sky: Sky
): StringCircuit {
	return {
		name,
		modules: modules.map((module) => runOf(module, sky)),
		sectionsPerModule: Math.max(1, ...modules.map(({ plate: nameplate }) => nameplate.sections)),
		cableResistance: 0
	};
}
