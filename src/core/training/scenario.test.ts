import { describe, expect, it } from 'vitest';
import { assess, isFound } from '../diagnosis';
import { follow } from './follow';
import { HIDDEN_CODES } from './planting';
import { randomFrom } from '../numerics';
import { drawScenario } from './scenario';

describe('chance from a seed', () => {
	it('is the same for the same seed, and even', () => {
		const draw = (seed: number) => {
			const random = randomFrom(seed);
			return Array.from({ length: 2000 }, () => random.uniform());
		};
		expect(draw(5)).toEqual(draw(5));
		expect(draw(5)).not.toEqual(draw(6));
		const mean = draw(7).reduce((sum, x) => sum + x, 0) / 2000;
		expect(mean).toBeGreaterThan(0.47);
		expect(mean).toBeLessThan(0.53);
		const random = randomFrom(8);
		const whole = Array.from({ length: 500 }, () => random.whole(2, 4));
		expect(new Set(whole)).toEqual(new Set([2, 3, 4]));
	});
});

describe('a scenario', () => {
	it('is the same for the same seed', () => {
		expect(drawScenario(12)).toEqual(drawScenario(12));
		expect(drawScenario(12).visit).not.toEqual(drawScenario(13).visit);
	});

	it.each(HIDDEN_CODES)(
		'hides %s where the array has a place for it, and can be assessed',
		(code) => {
			const { record, truth, visit, exact } = drawScenario(31, { code, plain: true });
			expect(truth.faults.map((fault) => fault.code)).toEqual([code]);
			for (const reading of visit.readings) {
				expect(Number.isFinite(reading.value)).toBe(true);
				expect(Number.isFinite(exact.get(reading.id)!)).toBe(true);
			}
			const { causes } = assess(record, visit);
			for (const { probability } of causes) {
				expect(probability).toBeGreaterThanOrEqual(0);
				expect(probability).toBeLessThanOrEqual(1);
			}
		}
	);

	it('has what it is told: strings, modules, nothing hidden', () => {
		const { record, truth } = drawScenario(3, {
			code: 'healthy',
			strings: 5,
			modules: 14,
			devices: true
		});
		expect(record.strings).toHaveLength(5);
		expect(new Set(record.strings.map(({ moduleCount }) => moduleCount))).toEqual(new Set([14]));
		expect(record.strings[0]!.devices).not.toBeNull();
		expect(truth.faults).toEqual([]);
	});
});

describe('following the proposed tests', () => {
	it.each(['connector-open', 'fuse-blown', 'rsd-no-signal', 'bypass-diode-shorted'] as const)(
		'leads from %s to the part',
		(code) => {
			const scenario = drawScenario(404, { code, plain: true, strings: 6, modules: 12 });
			const [hidden] = scenario.truth.faults;
			const { line, tests, minutes } = follow(scenario);
			expect(line!.members[0].code).toBe(code);
			expect(isFound(line!, [])).toBe(true);
			const { within, link } = line!.members[0].place;
			if (hidden!.at !== null) expect(within!.likeliest).toBe(hidden!.at);
			if (hidden!.link) expect(link).toBe(hidden!.link);
			expect(tests.length).toBeLessThan(12);
			expect(minutes).toBeGreaterThanOrEqual(tests.length);
		}
	);
});
