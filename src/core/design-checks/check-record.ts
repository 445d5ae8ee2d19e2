import type { ArrayRecord } from '../record';
import { acConductorChecks } from './ac-side';
import { CHECK_VERDICTS, type Check } from './check';
import { conductorChecks } from './conductors';
import { currentChecks } from './currents';
import { electronicsChecks } from './electronics';
import { fuseChecks } from './fuses';
import { interconnectionChecks } from './interconnection';
import { protectionChecks } from './protection';
import { unequalStringChecks } from './unequal-strings';
import { voltageChecks } from './voltages';

export type { Check, CheckVerdict } from './check';

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
