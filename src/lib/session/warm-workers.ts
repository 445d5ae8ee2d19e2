import { v7 as uuid } from 'uuid';
import { stringPlace, usualState, type Visit } from '$core/visit';
import type { ArrayRecord } from '$core/record';
import { assessInWorker, judgeInWorker } from '$lib/workers/assess';

const WARM_QUANTITIES = ['open-circuit-voltage', 'operating-current'] as const;
/** A few strings compile as much of the core as all of them do. */
const WARM_STRINGS = 8;
/** Verdicts are wanted at once; causes come behind them, and once over them is enough. */
const JUDGED = 4;

/**
 * Lets the workers answer about label figures a few times as soon as a visit opens, so that the first
 * figure typed does not wait for the core to be compiled.
 */
export async function warmWorkers(record: ArrayRecord, visit: Visit): Promise<void> {
	const [newest] = visit.conditions;
	const conditions: Visit['conditions'] = [
		newest ?? {
			id: uuid(),
			enteredAt: visit.startedAt,
			by: visit.by,
			basis: '',
			follows: false,
			fieldId: null,
			irradiance: { value: 1000, relativeStandardUncertainty: 0.03, source: 'other' },
			cellTemperature: { value: 25, standardUncertainty: 2, source: 'other' }
		}
	];
	const few = { ...record, strings: record.strings.slice(0, WARM_STRINGS) };
	const readings = few.strings.flatMap((string) => {
		const nameplate = record.moduleTypes.find((type) => type.id === string.moduleTypeId)?.plate;
		if (!nameplate) return [];
		return WARM_QUANTITIES.map((quantity) => ({
			id: uuid(),
			place: stringPlace(string.id),
			quantity,
			state: usualState(quantity),
			value: quantity === 'operating-current' ? nameplate.imp : nameplate.voc * string.moduleCount,
			atVolts: quantity === 'operating-current' ? nameplate.vmp * string.moduleCount : null,
			typed: '',
			confirmed: false,
			source: 'typed' as const,
			takenAt: visit.startedAt,
			by: visit.by,
			supersedes: null
		}));
	});
	const shown: Visit = { ...visit, conditions, readings, withdrawals: [], repairs: [], curves: [] };
	const assessed = assessInWorker().assess(few, shown);
	for (let round = 0; round < JUDGED; round++) await judgeInWorker().judge(few, shown);
	await assessed;
}
