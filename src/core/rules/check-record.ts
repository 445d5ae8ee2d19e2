import type { ArrayRecord } from '../record/record';
import { acConductorChecks } from './checks/ac-side';
import { CHECK_VERDICTS, type Check } from './checks/check';
import { conductorChecks } from './checks/conductors';
import { currentChecks } from './checks/currents';
import { electronicsChecks } from './checks/electronics';
import { fuseChecks } from './checks/fuses';
import { interconnectionChecks } from './checks/interconnection';
import { protectionChecks } from './checks/protection';
import { unequalStringChecks } from './checks/unequal-strings';
import { voltageChecks } from './checks/voltages';

export type { Check, CheckVerdict } from './checks/check';

/** Every requirement that follows from the array record alone, failures first. */
export function checkRecord(record: ArrayRecord): Check[] {
	const checks = [
		...voltageChecks(record),
		...fuseChecks(record),
		...currentChecks(record),
		...unequalStringChecks(record),
		...conductorChecks(record),
		...electronicsChecks(record),
		...acConductorChecks(record),
		...interconnectionChecks(record),
		...protectionChecks(record)
	];
	return CHECK_VERDICTS.flatMap((verdict) => checks.filter((check) => check.verdict === verdict));
}
