import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { withAnswer } from '../../training/answer';
import { drawScenario, type HiddenCode } from '../../training';
import { opensSomething } from '../../isolation';
import { assess } from '../assess';
import { entropy, informationOf, outcomesOf } from './information';

const proposedFor = (code: HiddenCode, wishes = {}) => {
	const { record, visit } = drawScenario(77, {
		code,
		plain: true,
		strings: 6,
		modules: 12,
		...wishes
	});
	return assess(record, visit).next;
};

describe('information', () => {
	it('is what parts the possibilities: one bit for two halves, none for figures that look alike', () => {
		const half = (value: number, sigma = 1) => ({ weight: 0.5, value, sigma });
		expect(informationOf(outcomesOf([half(0), half(100)]))).toBeCloseTo(0.98, 9);
		expect(informationOf(outcomesOf([half(0), half(1)]))).toBe(0);
		expect(outcomesOf([half(0), half(1)])[0]!.of).toEqual([0, 1]);
	});

	it('is never more than what is open, however the figures lie', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.record({
						weight: fc.double({ min: 0.01, max: 1, noNaN: true }),
						value: fc.double({ min: -500, max: 500, noNaN: true }),
						sigma: fc.double({ min: 0.1, max: 50, noNaN: true })
					}),
					{ minLength: 1, maxLength: 30 }
				),
				(possibilities) => {
					const outcomes = outcomesOf(possibilities);
					const open = entropy(possibilities.map(({ weight }) => weight));
					expect(informationOf(outcomes)).toBeLessThanOrEqual(open + 1e-9);
					const total = possibilities.reduce((sum, { weight }) => sum + weight, 0);
					expect(outcomes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(
						total,
						9
					);
					expect(outcomes.flatMap(({ of }) => of)).toHaveLength(possibilities.length);
				}
			)
		);
	});
});

describe('the next test', () => {
	it('covers sections where the site knows that its diodes fail, and finds the one that is open', () => {
		const { record, visit } = drawScenario(77, { code: 'healthy', strings: 2, modules: 8 });
		const known = { ...record, rates: { 'bypass-diode-open': 0.02 } };
		const cover = (of: typeof record, seen: typeof visit) =>
			assess(of, seen).next.filter(({ quantity }) => quantity === 'cover-current');
		expect(cover(record, visit)).toEqual([]);
		const [test] = cover(known, visit);
		expect(test).toMatchObject({ exposure: 'roof', place: { kind: 'module' } });
		expect(test!.how).toContain('never a single cell');
		// The current collapses: that diode does not carry it past its section.
		const collapsed = withAnswer(visit, test!, 0.4, 1);
		const [first] = assess(known, collapsed).causes;
		expect(first!.members[0]).toMatchObject({ code: 'bypass-diode-open' });
		expect(first!.where).toMatch(/substring/);
	});

	it('halves an open string', () => {
		const [first] = proposedFor('connector-open', { devices: false });
		expect(first!.quantity).toBe('stretch-voltage');
		expect(first!.title).toMatch(/modules 1 to 6|modules 7 to 12/);
		expect(first!.outcomes).toHaveLength(2);
		expect(first!.outcomes[0]!.probability).toBeCloseTo(0.5, 1);
		const codes = first!.cautions.map(({ text }) => text.code);
		expect(codes).toContain('isolation.caution.connector');
		expect(codes).toContain('isolation.caution.test-equipment');
	});

	it('takes the doubtful clamp again before it draws a fuse', () => {
		const [first, second] = proposedFor('fuse-blown');
		expect(first).toMatchObject({ again: true, exposure: 'closed-cover' });
		expect(first!.title).toMatch(/^Again: clamp the operating current of S1/);
		expect(second).toMatchObject({ quantity: 'fuse-resistance', exposure: 'open-cover-dead' });
		expect(second!.cautions[0]!.text.code).toBe('isolation.caution.blown-fuse');
	});

	it('walks the dark supply chain of rapid shutdown, not the roof', () => {
		const next = proposedFor('rsd-no-signal', { devices: true });
		expect(next[0]!.quantity).toBe('lamp');
		expect(new Set(next.map(({ place }) => place.kind))).toEqual(new Set(['part']));
	});

	it('reads the poles of a switch that does not close', () => {
		const [first] = proposedFor('disconnect-open');
		expect(first).toMatchObject({ quantity: 'pole-resistance', stringId: null });
	});

	it('cleans one string where all are low alike', () => {
		const scenario = drawScenario(4242, { code: 'healthy', plain: true, strings: 6, modules: 12 });
		const dim = scenario.visit.readings.map((reading) =>
			reading.quantity === 'operating-current' || reading.quantity === 'short-circuit-current'
				? { ...reading, value: reading.value * 0.84 }
				: reading
		);
		const { next } = assess(scenario.record, { ...scenario.visit, readings: dim });
		expect(next.find(({ place }) => place.kind === 'array')).toMatchObject({
			quantity: 'cleaning-gain'
		});
	});

	it('says how, what each outcome leaves, what it costs, and its cautions with their source', () => {
		const codes: HiddenCode[] = [
			'module-open',
			'bypass-diode-shorted',
			'module-missing',
			'soiling',
			'connector-reversed',
			'rsd-device-off'
		];
		for (const test of codes.flatMap((code) => proposedFor(code))) {
			expect(test.how.length).toBeGreaterThan(15);
			expect(test.minutes).toBeGreaterThan(0);
			expect(test.outcomes.every(({ words }) => words.length > 0)).toBe(true);
			expect(
				test.outcomes.reduce((sum, { probability }) => sum + probability, 0)
			).toBeLessThanOrEqual(1.0001);
			expect(test.isolateFirst).toBe(opensSomething(test.exposure));
			expect(test.cautions.length).toBeGreaterThan(0);
			expect(JSON.stringify(test)).not.toMatch(/\b(is|are|be|it’s) safe\b|\bsafe to\b|\bsafely\b/i);
		}
	});

	it('proposes each reading once, the best for its minutes and danger first', () => {
		const next = proposedFor('section-open');
		expect(next.map(({ key }) => key)).toEqual([...new Set(next.map(({ key }) => key))]);
		const scores = next.map(({ score }) => score);
		expect(scores).toEqual([...scores].sort((a, b) => b - a));
	});
});
