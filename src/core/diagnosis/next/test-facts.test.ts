import { describe, expect, it } from 'vitest';
import { type Place, QUANTITIES, QUANTITY_FACTS } from '../../visit';
import { opensSomething } from '../../isolation';
import { DANGER, testFactsOf } from './test-facts';

const PLACES: Readonly<Record<Place['kind'], Place>> = {
	string: { kind: 'string', string: 's' },
	fuse: { kind: 'fuse', string: 's', pole: 'positive' },
	module: { kind: 'module', string: 's', module: 3, section: null },
	stretch: { kind: 'stretch', string: 's', from: 0, to: 4 },
	joint: { kind: 'joint', string: 's', joint: 2 },
	part: { kind: 'part', part: 'p', point: 'line' },
	array: { kind: 'array' }
};
const ALL = QUANTITIES.flatMap((quantity) =>
	QUANTITY_FACTS[quantity].places.flatMap((kind) => {
		const facts = testFactsOf(quantity, PLACES[kind]);
		return facts ? [{ quantity, kind, facts }] : [];
	})
);

describe('what one has to know to take a test', () => {
	it.each(ALL)('$quantity at a $kind: where, how, how long, how dangerous', ({ facts }) => {
		expect(facts.title).toContain('{place}');
		expect(facts.how).toMatch(/\.$/);
		expect(facts.minutes).toBeGreaterThan(0);
		expect(DANGER[facts.exposure]).toBeGreaterThanOrEqual(1);
	});

	it('parts a string only with the caution that it may stand open at full volts', () => {
		for (const { kind, facts } of ALL) {
			if (facts.exposure !== 'joint-dead' || kind !== 'stretch') continue;
			expect(facts.cautions?.map(({ text }) => text.code)).toContain(
				'isolation.caution.open-string'
			);
		}
	});

	it('opens nothing for what is looked at or clamped from outside', () => {
		for (const quantity of ['operating-current', 'module-count', 'shade-seen', 'lamp'] as const) {
			const kind = QUANTITY_FACTS[quantity].places[0]!;
			expect(opensSomething(testFactsOf(quantity, PLACES[kind])!.exposure)).toBe(false);
		}
	});

	it('is more dangerous and longer at one module than at the string', () => {
		const string = testFactsOf('open-circuit-voltage', PLACES.string)!;
		const module = testFactsOf('open-circuit-voltage', PLACES.module)!;
		expect(DANGER[module.exposure]).toBeGreaterThan(DANGER[string.exposure]);
		expect(module.minutes).toBeGreaterThan(string.minutes);
	});

	it('is none for what nobody would propose', () => {
		expect(testFactsOf('operating-voltage', PLACES.string)).toBeNull();
	});
});
