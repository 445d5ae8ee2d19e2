import { judgeByModel } from '../assessment';
import { effectiveVisit } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, normalFrom, visitOf, type Planted } from '../../../tests/support/scenario';
import { type StringFaultCode, USUAL_RATES } from '../faults';
import { assess } from './assess';
import { traceGroups } from './trace-groups';

const record = arrayRecord();
const posteriorOf = (scenario: Omit<Parameters<typeof visitOf>[0], 'record'>) => {
	const visit = visitOf({ record, ...scenario });
	return traceGroups(
		record,
		effectiveVisit(record, visit),
		judgeByModel(record, effectiveVisit(record, visit)).peerGroups
	)[0]!.posterior;
};

describe('the posterior', () => {
	it('gives each string all of its chances: whole, with a fault, or with two', () => {
		for (let seed = 1; seed <= 8; seed++) {
			const { strings } = posteriorOf({
				faults: seed % 2 ? { A2: { code: 'module-missing' } } : {},
				normal: normalFrom(seed)
			});
			for (const { classes, wrongReading } of strings) {
				const all = classes.reduce((sum, { probability }) => sum + probability, 0);
				expect(all).toBeCloseTo(1, 5);
				for (const chance of wrongReading.values()) {
					expect(chance).toBeGreaterThanOrEqual(0);
					expect(chance).toBeLessThanOrEqual(1);
				}
			}
		}
	});

	it('gives what all strings share all of its chances', () => {
		for (const irradianceFactor of [0.7, 1, 1.25]) {
			const { shared } = posteriorOf({ irradianceFactor });
			// Points of next to no weight are left out of the averages.
			expect(Object.values(shared).reduce((sum, p) => sum + p, 0)).toBeCloseTo(1, 5);
		}
	});

	it('keeps a fault that no reading can show at its prior', () => {
		const { strings } = posteriorOf({ quantities: ['open-circuit-voltage'] });
		const [first] = strings;
		const blown = first!.classes
			.filter(({ of }) => of.faults[0]?.fault.code === 'fuse-blown')
			.reduce((sum, { probability }) => sum + probability, 0);
		expect(blown).toBeLessThan(2 * USUAL_RATES['fuse-blown']);
		expect(blown).toBeGreaterThan(0.3 * 2 * USUAL_RATES['fuse-blown']);
	});

	it('does not care in which order strings stand in the record', () => {
		const visit = visitOf({
			record,
			faults: { A3: { code: 'section-open' } },
			normal: normalFrom(6)
		});
		const turned = { ...record, strings: [...record.strings].reverse() };
		const lines = (array: typeof record) =>
			new Map(assess(array, visit).causes.map((cause) => [cause.stringId, cause.probability]));
		const one = lines(record);
		const other = lines(turned);
		for (const [id, probability] of one) expect(other.get(id)).toBeCloseTo(probability, 6);
	});

	it('is sure no more often than it is right', () => {
		// Faults drawn from a set whose lines are told apart; chances in two bins against the truth.
		const codes: readonly StringFaultCode[] = [
			'bypass-diode-shorted',
			'module-missing',
			'connector-open',
			'fuse-blown',
			'module-reversed',
			'connector-reversed'
		];
		const bins = {
			sure: { claimed: 0, right: 0, count: 0 },
			unsure: { claimed: 0, right: 0, count: 0 }
		};
		for (let seed = 1; seed <= 70; seed++) {
			const code = codes[seed % codes.length]!;
			const string = record.strings[seed % record.strings.length]!;
			const faults: Record<string, Planted> = { [string.label]: { code } };
			const { causes } = assess(
				record,
				visitOf({ record, faults, normal: normalFrom(1000 + seed) })
			);
			for (const cause of causes) {
				if (cause.stringId === null || cause.probability < 0.3) continue;
				const bin = cause.probability > 0.9 ? bins.sure : bins.unsure;
				bin.count++;
				bin.claimed += cause.probability;
				const named = cause.members.some((member) => member.code === code);
				if (named && cause.stringId === string.id) bin.right++;
			}
		}
		expect(bins.sure.count).toBeGreaterThan(50);
		// Claimed 0.97 or more on average: of 60 lines, more than 5 wrong would be chance below 1 in 50.
		expect(bins.sure.right / bins.sure.count).toBeGreaterThan(0.91);
		expect(bins.unsure.count).toBeLessThan(20);
	}, 60_000);
});
