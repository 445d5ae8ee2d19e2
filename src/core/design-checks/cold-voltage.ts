import { coefficientsOf, isCrystalline, type Nameplate } from '../module';
import { STC_CELL_TEMPERATURE } from '../units';
import type { ModuleType, SiteRules } from '../record';
import { COLD_FACTORS, COLD_VOLTAGE } from '../profiles';

/** Open-circuit volts at the lowest temperature over those of the label, and where that comes from. */
export interface ColdFactor {
	readonly factor: number;
	readonly formula: string;
	readonly clause: string;
}

/**
 * How much higher than on its label a module's Voc gets at the lowest temperature. The label's
 * coefficient where it states one; the table of NEC 690.7(A) in the US profile where it does not; else
 * the coefficient that is typical of its technology, said so.
 *
 * @returns null where the lowest temperature is not known, or the US table does not cover the technology
 */
export function coldFactor(
	nameplate: Nameplate,
	{ profile, lowest }: Pick<SiteRules, 'profile' | 'lowest'>
): ColdFactor | null {
	if (lowest === null) return null;
	if (nameplate.betaVocPctPerK === null && profile === 'US') {
		// The table is for crystalline silicon only.
		if (!isCrystalline(nameplate.technology)) return null;
		const row = COLD_FACTORS.rows.find(([downTo]) => lowest >= downTo) ?? COLD_FACTORS.rows.at(-1)!;
		return {
			factor: row[1],
			formula: `nameplate Voc × ${row[1]} at ${lowest} °C, from the table; the nameplate states no coefficient`,
			clause: COLD_FACTORS.clause
		};
	}
	const { betaVocPctPerK, notes } = coefficientsOf(nameplate);
	const factor = 1 + (betaVocPctPerK / 100) * (lowest - STC_CELL_TEMPERATURE);
	const typical = notes.some((note) => note.includes('Voc')) ? ', typical of its technology' : '';
	return {
		factor,
		formula: `nameplate Voc × (1 + ${betaVocPctPerK} %/K${typical} × (${lowest} − 25) K) = × ${factor.toFixed(3)}`,
		clause: profile === 'US' ? 'NEC 690.7(A)(1), not verified' : COLD_VOLTAGE.clause
	};
}

/** Cold Voc of one module, V; null where the lowest temperature is not known. */
export function coldModuleVoltage(type: ModuleType, rules: SiteRules): number | null {
	const cold = coldFactor(type.plate, rules);
	return cold && cold.factor * type.plate.voc;
}

/** Cold Voc of modules in series, V; null where the lowest temperature or a type is not known. */
export function coldStringVoltage(
	typeIds: readonly string[],
	types: readonly ModuleType[],
	rules: SiteRules
): number | null {
	let voltage = 0;
	for (const id of typeIds) {
		const type = types.find((candidate) => candidate.id === id);
		const cold = type && coldModuleVoltage(type, rules);
		if (cold === undefined || cold === null) return null;
		voltage += cold;
	}
	return voltage;
}
