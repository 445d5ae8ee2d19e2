import { expectedAt } from '../assessment';
import { effectiveVisit } from '../visit';
import { describe, expect, it } from 'vitest';
import { arrayRecord, testId, visitOf } from '../../../tests/support/scenario';
import type { Load } from '../circuit';
import { assess } from '../diagnosis';
import { inputAtConditions } from '../expectation';
import { dissipationOf, study, type WhatIf } from './what-if';

const record = arrayRecord(['A1', 'A2', 'A3']);
const visit = visitOf({ record });
const here = inputAtConditions(record, effectiveVisit(record, visit), testId(101))!;
const tracker: Load = {
	kind: 'tracker',
	window: { least: 0, most: null },
	ampsAtMost: null,
	wattsAtMost: null
};
const ask = (over: Partial<WhatIf> = {}) => {
	const answer = study(here.bus, here.subject, {
		lights: [],
		faults: [],
		alone: true,
		load: tracker,
		...over
	});
	if (!answer.ok) throw new Error(answer.problem);
	return answer.value;
};

describe('what would I measure', () => {
	it('starts from what the visit expects of the string', () => {
		expect(here.subject).toBe('A2');
		expect(here.bus.strings.map(({ name }) => name)).toEqual(['A1', 'A2', 'A3']);
		const place = assess(record, visit).places.find(
			({ key }) => key === `${testId(101)}/open-circuit-voltage`
		)!;
		// The visit leaves a reading out of its own expected value, the study does not.
		expect(ask().whole.voc).toBeCloseTo(expectedAt(place)!.value, 0);
	});

	it('is the same as expected where nothing is changed', () => {
		const { now, expected, shown, whole, parting, hottest } = ask();
		expect(now).toEqual(expected);
		expect(shown).toEqual(whole);
		expect(parting).toBeNull();
		expect(hottest).toEqual([]);
	});

	it('shows a step and a second maximum for a module in the shade, and its warm diodes', () => {
		const { maxima, shown, whole, hottest, parting } = ask({
			lights: [{ module: 3, section: null, light: 0.3 }]
		});
		expect(maxima.length).toBe(2);
		expect(shown.voc).toBeGreaterThan(whole.voc * 0.98);
		expect(shown.voltage).toBeLessThan(whole.voltage * 0.95);
		expect(hottest[0]!.name).toBe('A2 module 4 section 1');
		expect(dissipationOf(hottest[0]!)).toBeGreaterThan(2);
		expect(parting).toMatch(/bypassed/);
	});

	it('feeds a dark string from its comparable strings, and says what its fuse would do', () => {
		const dark = Array.from({ length: 12 }, (_, module) => ({
			module,
			section: null,
			light: 0.02
		}));
		const { shown, branches, now, fuse } = ask({
			lights: dark,
			alone: false,
			load: { kind: 'open' }
		});
		expect(shown.current).toBeLessThan(-1);
		expect(branches.reduce((sum, { current }) => sum + current, 0)).toBeCloseTo(0, 6);
		expect(Math.min(...now.current)).toBeLessThan(-1);
		expect(fuse).toEqual({ verdict: 'holds', rating: 15 });
	});

	it('sits on a battery where a PWM controller puts it', () => {
		const pwm = {
			kind: 'battery',
			volts: 300,
			controller: 'pwm',
			headroom: 5,
			ampsAtMost: null
		} as const;
		const { shown, limit, power } = ask({ load: pwm });
		expect(shown.voltage).toBe(300);
		expect(limit).toBe('held');
		expect(power).toBeLessThan(ask().power);
	});

	it('reads and locates an earth fault', () => {
		const { earth } = ask({
			faults: [{ code: 'earth-fault', place: { string: 'A2', joint: 4 }, size: 100 }]
		});
		expect(earth!.place).toMatchObject({ found: true });
		expect(earth!.place.found && earth!.place.modules).toBeCloseTo(4, 1);
	});

	it('says what no circuit shows, and refuses a place that is not there', () => {
		expect(ask({ faults: [{ code: 'reading-wrong', place: {} }] }).unchanged).toHaveLength(1);
		const wrong = { code: 'module-open', place: { string: 'A2', module: 30 } } as const;
		expect(
			study(here.bus, 'A2', { lights: [], faults: [wrong], alone: true, load: tracker })
		).toMatchObject({ ok: false });
		expect(study(here.bus, 'Z', { lights: [], faults: [], alone: true, load: tracker }).ok).toBe(
			false
		);
	});

	it('draws a string that gives no volts of its own', () => {
		const { now } = ask({
			faults: [{ code: 'connector-reversed', place: { string: 'A2' } }],
			alone: true,
			load: { kind: 'open' }
		});
		for (const current of now.current) expect(current).toSatisfy(Number.isFinite);
	});

	it('needs conditions and a module type', () => {
		expect(
			inputAtConditions(record, effectiveVisit(record, { ...visit, conditions: [] }), testId(101))
		).toBeNull();
		expect(inputAtConditions(record, effectiveVisit(record, visit), 'none')).toBeNull();
	});
});
