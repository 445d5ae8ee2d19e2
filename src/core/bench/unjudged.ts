import type { ModuleResult } from './evaluate';
import type { BatchNameplate } from './module-batch';

/**
 * Why nothing is said of a tested module, and how to mend it; null where something is.
 */
export function unjudgedWords({
	module,
	nameplate,
	share,
	irradiance
}: Pick<ModuleResult, 'module' | 'nameplate' | 'share' | 'irradiance'>): string | null {
	if (share !== null) return null;
	if (module.takes.length === 0) return 'No measurement yet.';
	if (irradiance === null && module.takes.every(({ otherAngle }) => otherAngle)) {
		return 'Measured at another angle than the reference module, so that its irradiance is not known. Measure it in the same plane, or enter the shadow of a stick on both.';
	}
	if (irradiance === null && nameplate !== null) {
		return 'Irradiance and cell temperature are missing: state them, or measure a reference module in between.';
	}
	const has = (of: 'volts' | 'amps' | 'watts') => module.takes.some((take) => take[of] !== null);
	const missing = [...(has('volts') ? [] : ['Voc']), ...(has('amps') ? [] : ['Isc'])];
	// Where nothing was left out at the meter it is the nameplate that a share is taken of.
	if (nameplate === null || missing.length === 0) {
		return `Its nameplate is not complete: ${missingOf(module.label).join(', ')}. Type it, or that of a module like it.`;
	}
	return `${missing.join(' and ')} ${missing.length === 1 ? 'is' : 'are'} missing, or its power at the maximum.`;
}

/** Figures of a nameplate that are missing for a model of the module. */
function missingOf({ pmax, vmp, imp, voc, isc }: BatchNameplate): string[] {
	const figures = { Pmax: pmax, Vmp: vmp, Imp: imp, Voc: voc, Isc: isc };
	return Object.entries(figures).flatMap(([name, value]) => (value === null ? [name] : []));
}

/** Why no module of a batch can be put anywhere, and how to mend it. */
export function noPoolWords(results: readonly ModuleResult[]): string {
	const read = results.filter(({ module }) => module.takes.length > 0);
	if (read.length === 0)
		return 'Nothing in this batch is measured yet, and no nameplate is complete. Type nameplates, or measure its modules.';
	const words = read.map(unjudgedWords).find((one) => one !== null);
	return words === undefined
		? 'Every module of this batch produces next to nothing.'
		: `The modules are measured, but not graded. ${words}`;
}
