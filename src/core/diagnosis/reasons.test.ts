import { describe, expect, it } from 'vitest';
import { readingAt } from '../../../tests/support/readings';
import { arrayRecord, normalFrom, visitOf, type Planted } from '../../../tests/support/scenario';
import type { Place, Quantity, Visit } from '../visit';
import { assess } from './assess';

const record = arrayRecord();
const idOf = (label: string) => record.strings.find((string) => string.label === label)!.id;
const visitWith = (faults: Record<string, Planted>) =>
	visitOf({ record, faults, normal: normalFrom(9) });
const lineOf = (visit: Visit, label: string) =>
	assess(record, visit).causes.find(({ stringId }) => stringId === idOf(label))!;
const plus = (visit: Visit, place: Place, quantity: Quantity, value: number): Visit => {
	const reading = readingAt(place, quantity, value);
	return { ...visit, readings: [...visit.readings, reading] };
};

describe('the reasons of a cause', () => {
	const visit = visitWith({ A3: { code: 'module-missing' } });
	const line = lineOf(visit, 'A3');

	it('are every reading of its string, each with what a whole one and a faulty one gives', () => {
		const own = visit.readings.filter(
			({ place }) => place.kind === 'string' && place.string === idOf('A3')
		);
		expect(line.reasons.map(({ readingId }) => readingId).sort()).toEqual(
			own.map(({ id }) => id).sort()
		);
		for (const { words } of line.reasons) {
			expect(words).toMatch(/^A3 .*: .* read.*; a healthy string gives .*, with this fault .*±/);
		}
	});

	it('put first what weighs most', () => {
		expect(line.reasons[0]).toMatchObject({ weighs: 'for' });
		expect(line.reasons[0]!.words).toContain('V read');
	});

	it('say at which volts a running current was read', () => {
		expect(line.reasons.some(({ words }) => /A read at \d+(\.\d+)? V;/.test(words))).toBe(true);
	});

	it('speak against what the readings do not bear', () => {
		const { ruledOut } = assess(record, visit);
		const own = ruledOut.filter(({ stringId }) => stringId === idOf('A3'));
		expect(own.length).toBeGreaterThan(0);
		for (const { words } of own) expect(words).toMatch(/: A3 /);
	});
});

describe('a reading that is wrong', () => {
	it('has as its reason that no whole string and no fault gives it', () => {
		const visit = visitOf({
			record,
			normal: normalFrom(9),
			typed: { 'B2 open-circuit-voltage': 520 }
		});
		const wrong = assess(record, visit).causes.find(({ members }) =>
			members.some(({ code, place }) => code === 'reading-wrong' && place.string === idOf('B2'))
		)!;
		expect(wrong.reasons[0]).toMatchObject({ weighs: 'for' });
		expect(wrong.reasons[0]!.words).toContain('which this figure cannot be');
	});
});

describe('reasons at places within a string', () => {
	it('tell what a stretch would show, sound and faulty', () => {
		const visit = visitWith({ A2: { code: 'bypass-diode-shorted' } });
		const whole = 12 * 36.9;
		const half = plus(
			visit,
			{ kind: 'stretch', string: idOf('A2'), from: 0, to: 6 },
			'stretch-voltage',
			whole / 2 - 12.3
		);
		const { reasons } = lineOf(half, 'A2');
		const at = reasons.find(({ words }) => /read; healthy .*, with this fault/.test(words))!;
		expect(at.words).toMatch(/V read; healthy \d+(\.\d+)? V, with this fault/);
		expect(at.weighs).toBe('for');
	});

	it('of both poles to earth stand first, with where they split the volts', () => {
		const visit = visitWith({});
		const string = { kind: 'string', string: idOf('A1') } as const;
		const read = plus(
			plus(visit, string, 'positive-to-earth', 296),
			string,
			'negative-to-earth',
			-148
		);
		const { causes } = assess(record, read);
		const earth = causes.find(({ members }) =>
			members.some(({ code, place }) => code === 'earth-fault' && place.string === idOf('A1'))
		)!;
		expect(earth.reasons[0]!.words).toContain('4.0 modules from the negative end');
		expect(earth.reasons[0]!.words).toContain('296.0 V');
	});
});
