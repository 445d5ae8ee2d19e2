import { describe, expect, it } from 'vitest';
import { assess } from '$core/diagnosis';
import { arrayRecord, normalFrom, visitOf, type Planted } from '../../../tests/support/scenario';
import { findingsOf } from './findings';

const record = arrayRecord();
const of = (faults: Record<string, Planted>, more = {}) =>
	findingsOf(assess(record, visitOf({ record, faults, normal: normalFrom(12), ...more })), record);

describe('findings', () => {
	it('are none where nothing is wrong', () => {
		expect(of({})).toEqual([]);
	});

	it('are one for each string that is wrong, the most certain first', () => {
		const findings = of({
			A2: { code: 'bypass-diode-shorted' },
			B1: { code: 'fuse-blown' },
			B3: { code: 'soiling', near: 0.15 }
		});
		expect(findings.map(({ string }) => string?.label).sort()).toEqual(['A2', 'B1', 'B3']);
		const chances = findings.map(({ causes }) => causes.reduce((sum, c) => sum + c.probability, 0));
		expect(chances).toEqual([...chances].sort((a, b) => b - a));
	});

	it('put a string that may be reversed before all others: it is the danger', () => {
		const [first] = of({
			A1: { code: 'module-missing' },
			A4: { code: 'connector-open' },
			B4: { code: 'connector-reversed' }
		});
		expect(first!.string!.label).toBe('B4');
		expect(first!.danger).toBe(true);
		expect(first!.causes[0]!.members[0].code).toBe('connector-reversed');
	});

	it('put what concerns all strings last', () => {
		const findings = of({ A2: { code: 'module-missing' } }, { irradianceFactor: 0.7 });
		expect(findings.at(-1)).toMatchObject({ key: 'visit', name: 'All', string: null });
		expect(findings[0]!.string!.label).toBe('A2');
	});

	it('say what is known where the cause is open, and list each test once', () => {
		const [low] = of({ B3: { code: 'soiling', near: 0.15 } });
		expect(low).toMatchObject({
			headline: 'Low current, cause not determined',
			perhaps: expect.stringMatching(
				/^Perhaps .*soiling.*resistance|^Perhaps .*resistance.*soiling/
			)
		});
		const titles = low!.tests.map(({ title }) => title);
		expect(titles).toEqual([...new Set(titles)]);
	});

	it('say a size that two causes share once', () => {
		const [lost] = of({ A2: { code: 'section-open' } });
		expect(lost!.headline).toMatch(/^[^()]+, or [^()]+ \(one substring\)$/);
	});
});
