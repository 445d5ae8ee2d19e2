import type { FaultCode, Quantity } from '../visit';

interface RepairFacts {
	readonly words: string;
	/** A part with a serial goes in. */
	readonly newPart: boolean;
}

/** What can be done about a cause. */
export const REPAIR_KINDS = {
	'replace-module': { words: 'Module replaced', newPart: true },
	'bridge-section': { words: 'Substring bypassed', newPart: false },
	'replace-diode': { words: 'Bypass diode replaced', newPart: true },
	'bridge-diode': { words: 'Blocking diode bridged', newPart: false },
	'replace-blocking-diode': { words: 'Blocking diode replaced', newPart: true },
	'replace-fuse': { words: 'Fuse replaced', newPart: true },
	'replace-connector': { words: 'Connector replaced, both halves', newPart: false },
	'mate-connector': { words: 'Connector mated or crimped', newPart: false },
	'swap-leads': { words: 'Leads exchanged', newPart: false },
	'turn-module': { words: 'Module turned round', newPart: false },
	'add-module': { words: 'Module added or taken out', newPart: true },
	'replace-device': { words: 'Shutdown device or optimiser replaced', newPart: true },
	'restore-supply': { words: 'Supply or signal restored', newPart: false },
	'replace-unit': { words: 'Micro-inverter replaced', newPart: true },
	'replace-surge': { words: 'Surge protection replaced', newPart: true },
	'replace-switch': { words: 'Switch repaired or replaced', newPart: true },
	'mend-insulation': { words: 'Insulation mended, cable replaced', newPart: false },
	clean: { words: 'Cleaned', newPart: false },
	'clear-shade': { words: 'Shade cleared', newPart: false },
	regroup: { words: 'Strings regrouped', newPart: false },
	'correct-record': { words: 'Record corrected', newPart: false },
	'restart-inverter': { words: 'Inverter or grid side repaired', newPart: false },
	other: { words: 'Something else', newPart: false }
} as const satisfies Readonly<Record<string, RepairFacts>>;

export type RepairKind = keyof typeof REPAIR_KINDS;
export const REPAIR_KIND_NAMES = Object.keys(REPAIR_KINDS) as RepairKind[];

/** What usually puts a cause right, the usual first. */
const USUAL: Readonly<Partial<Record<FaultCode, readonly RepairKind[]>>> = {
	'bypass-diode-shorted': ['replace-diode', 'replace-module', 'bridge-section'],
	'section-open': ['bridge-section', 'replace-module'],
	'section-resistive': ['bridge-section', 'replace-module'],
	'bypass-diode-open': ['replace-diode', 'replace-module'],
	'module-open': ['replace-module'],
	'module-shorted': ['replace-module'],
	'module-missing': ['correct-record', 'add-module'],
	'module-extra': ['correct-record', 'add-module'],
	'module-reversed': ['turn-module'],
	'module-degraded': ['replace-module', 'regroup'],
	'module-pid': ['replace-module'],
	'module-wrong-type': ['replace-module', 'correct-record'],
	'hot-cell': ['replace-module', 'clear-shade', 'clean'],
	soiling: ['clean'],
	shade: ['clear-shade'],
	'connector-open': ['mate-connector', 'replace-connector'],
	'connector-resistive': ['replace-connector'],
	'connector-reversed': ['swap-leads'],
	'cable-damaged': ['mend-insulation'],
	'fuse-blown': ['replace-fuse'],
	'fuse-wrong-rating': ['replace-fuse'],
	'blocking-diode-open': ['replace-blocking-diode', 'bridge-diode'],
	'blocking-diode-shorted': ['replace-blocking-diode'],
	'disconnect-open': ['replace-switch'],
	'disconnect-welded': ['replace-switch'],
	'rsd-no-signal': ['restore-supply'],
	'rsd-device-off': ['replace-device'],
	'rsd-device-stuck-on': ['replace-device'],
	'earth-fault': ['mend-insulation', 'replace-connector', 'replace-module'],
	'gfdi-fuse-blown': ['replace-fuse'],
	'strings-swapped': ['swap-leads', 'correct-record'],
	'unequal-parallel': ['regroup'],
	'record-wrong': ['correct-record'],
	'inverter-no-ac': ['restart-inverter'],
	'inverter-derating': ['restart-inverter'],
	'mppt-mode-wrong': ['restart-inverter'],
	'moisture-intermittent': ['mend-insulation', 'replace-module', 'replace-connector'],
	'spd-failed': ['replace-surge'],
	'arc-fault': ['replace-connector', 'mend-insulation'],
	'optimiser-dead': ['replace-device'],
	'micro-inverter-dead': ['replace-unit'],
	'controller-mismatch': ['regroup']
};

/** Kinds of repair for a cause, the usual ones first. */
export function repairKindsFor(code: FaultCode): readonly RepairKind[] {
	const usual = USUAL[code] ?? [];
	return [...usual, ...REPAIR_KIND_NAMES.filter((kind) => !usual.includes(kind))];
}

const STRING_AGAIN: readonly Quantity[] = ['open-circuit-voltage', 'operating-current'];

/** What is read again at the string or strings after the repair, besides what found the cause. */
export function retakesFor(code: FaultCode): readonly Quantity[] {
	switch (code) {
		case 'earth-fault':
		case 'cable-damaged':
		case 'moisture-intermittent':
		case 'arc-fault':
		case 'gfdi-fuse-blown':
			return [...STRING_AGAIN, 'positive-to-earth', 'negative-to-earth', 'insulation-resistance'];
		case 'rsd-device-stuck-on':
			return [...STRING_AGAIN, 'volts-after-shutdown'];
		default:
			return STRING_AGAIN;
	}
}
