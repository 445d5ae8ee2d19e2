import { fuseInCircuit, type ModuleType, type StringRecord } from '../record';

/** One check of a module that goes in for another. */
export interface SubstituteCheck {
	readonly words: string;
	readonly fits: boolean;
	/** Clause, or that it is practice or judgement. */
	readonly source: string;
}

/** Shares by which a substitute's label may differ before it costs more than its place is worth. */
const ALIKE = { current: 0.05, volts: 0.1 };

/**
 * Whether a module of one type may stand in a string of another: its current, since the weakest sets
 * the string's; its volts beside parallel strings; its fuse and system volts.
 */
export function substituteChecks(
	string: StringRecord,
	type: ModuleType,
	other: ModuleType
): SubstituteCheck[] {
	const { plate: nameplate } = type;
	const current = other.plate.imp / nameplate.imp - 1;
	const voltage = (other.plate.vmp - nameplate.vmp) / (nameplate.vmp * string.moduleCount);
	const percent = (share: number) => `${share > 0 ? '+' : ''}${(100 * share).toFixed(1)} %`;
	const fuse = fuseInCircuit(string)?.rating ?? null;
	const { seriesFuse, systemVolts: systemVoltage } = other.limits;
	const cold = nameplate.voc * string.moduleCount * 1.25;
	return [
		{
			words: `Imp ${other.plate.imp} A for ${nameplate.imp} A (${percent(current)}): ${current < -ALIKE.current ? 'it would limit the full string' : current > ALIKE.current ? 'its surplus is lost' : 'alike'}.`,
			fits: current >= -ALIKE.current,
			source: 'judgement: 5 %'
		},
		{
			words: `Vmp of the string changes by ${percent(voltage)}.`,
			fits: Math.abs(voltage) <= ALIKE.volts / string.moduleCount + 0.02,
			source: 'judgement: 2 % beside parallel strings'
		},
		{
			words:
				seriesFuse === null || fuse === null
					? 'Maximum series fuse or string fuse not recorded: read them.'
					: `String fuse ${fuse} A, its maximum series fuse ${seriesFuse} A.`,
			fits: seriesFuse === null || fuse === null || fuse <= seriesFuse,
			source: 'NEC 690.9 / IEC 62548-1, from memory'
		},
		{
			words:
				systemVoltage === null
					? 'Its maximum system voltage is not recorded: read the nameplate.'
					: `String voltage at the coldest up to ${cold.toFixed(0)} V; its maximum system voltage is ${systemVoltage} V.`,
			fits: systemVoltage === null || cold <= systemVoltage,
			source: 'NEC 690.7 / IEC 62548-1, from memory; factor 1.25'
		}
	];
}
