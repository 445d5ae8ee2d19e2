import type { ConditionsAtString } from './here';
import { modulesAt, type Suspect } from './suspect';

/** Share of its open-circuit volts that a module adds to its string; null where its path is open. */
export function moduleShare(
	suspect: Suspect | null,
	module: number,
	here: ConditionsAtString
): number | null {
	if (!suspect) return 1;
	const { fault, severity, at } = suspect;
	const [first, count] = modulesAt(fault.spread, at, here);
	if (module < first || module >= first + count) return 1;
	switch (fault.code) {
		case 'bypass-diode-shorted':
		case 'section-open':
			return 1 - severity.size / here.type.plate.sections;
		case 'module-shorted':
			return 0;
		case 'module-reversed':
			return -1;
		case 'module-open':
			return null;
		case 'module-wrong-type':
			return severity.second ?? 1;
		case 'record-wrong':
			return severity.second ?? 1;
		default:
			return 1;
	}
}

/** Whether a device holds a module's volts from its string. */
export function heldDown(
	suspect: Suspect | null,
	module: number,
	here: ConditionsAtString
): boolean {
	if (suspect?.fault.code !== 'rsd-device-off') return false;
	const [first, count] = modulesAt('device', suspect.at, here);
	return module >= first && module < first + count;
}
