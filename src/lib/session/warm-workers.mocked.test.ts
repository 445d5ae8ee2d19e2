import { expectedAt } from '$core/assessment';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import { ALL_SITES } from '../../../tests/support/sites';
import { assess, judge } from '$core/diagnosis';
import type { Visit } from '$core/visit';
import { type ArrayRecord, isAcBranch } from '$core/record';

const asked = vi.hoisted(() => ({ judged: [] as unknown[][], assessed: [] as unknown[][] }));
vi.mock('$lib/workers/assess', () => ({
	judgeInWorker: () => ({ judge: (...of: unknown[]) => Promise.resolve(asked.judged.push(of)) }),
	assessInWorker: () => ({ assess: (...of: unknown[]) => Promise.resolve(asked.assessed.push(of)) })
}));
const { warmWorkers } = await import('./warm-workers');

beforeEach(() => {
	asked.judged.length = asked.assessed.length = 0;
});

describe('workers that are warmed', () => {
	it('answer of verdicts some times, of causes once', async () => {
		const record = arrayRecord();
		await warmWorkers(record, visitOf({ record }));
		expect(asked.judged).toHaveLength(4);
		expect(asked.assessed).toHaveLength(1);
	});

	it('are asked of a few strings, however many there are', async () => {
		const many = arrayRecord(Array.from({ length: 240 }, (_, i) => `S${i + 1}`));
		await warmWorkers(many, visitOf({ record: many, quantities: [] }));
		const [[record, visit]] = asked.assessed as [[ArrayRecord, Visit]];
		expect(record.strings).toHaveLength(8);
		expect(visit.readings).toHaveLength(16);
	});

	it('need no conditions, and can answer of every site', async () => {
		for (const { record, visit } of ALL_SITES) {
			await warmWorkers(record, { ...visit, conditions: [] });
			const [few, shown] = asked.assessed.at(-1) as [ArrayRecord, Visit];
			expect(() => [judge(few, shown), assess(few, shown)]).not.toThrow();
			if (!few.strings.every(isAcBranch)) {
				expect(judge(few, shown).places.some((place) => expectedAt(place))).toBe(true);
			}
		}
	});
});
