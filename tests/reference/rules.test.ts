import { describe, expect, it } from 'vitest';
import { coldFactor } from '$core/rules/cold-volts';
import { GPV } from '$core/rules/profiles/iec';
import { BUS_RULE, COLD_FACTORS, CURRENT } from '$core/rules/profiles/us';
import { ampacityOf } from '$core/rules/ampacity';
import { unknownSpecs, type PartOf } from '$core/record/part';
import { UNKNOWN_RULES } from '$core/record/record';
import { PLATE } from '../support/scenario';

const without = { ...PLATE, betaVocPctPerK: null };
const US = { ...UNKNOWN_RULES, profile: 'US' as const };

describe('cold volts', () => {
	// NEC Table 690.7(A), from memory.
	it.each([
		[24, 1.02],
		[20, 1.02],
		[14, 1.06],
		[0, 1.1],
		[-1, 1.12],
		[-5, 1.12],
		[-6, 1.14],
		[-25, 1.2],
		[-26, 1.21],
		[-36, 1.25],
		[-40, 1.25]
	])('at %i degC are %f times the label’s where it states no coefficient', (lowest, factor) => {
		expect(coldFactor(without, { ...US, lowest })!.factor).toBe(factor);
	});

	it('come from the label’s coefficient where it states one: 1 + beta (Tmin - 25)', () => {
		expect(coldFactor(PLATE, { ...US, lowest: -12 })!.factor).toBeCloseTo(1 + 0.0027 * 37, 9);
		expect(coldFactor(PLATE, { ...US, lowest: null })).toBeNull();
	});

	// Common practice, no source: a 1500 V system of modules of 49.4 V label Voc is 30 by the naive count.
	it('allow fewer in series than the naive count', () => {
		expect(Math.floor(1500 / 49.4)).toBe(30);
		const cold = coldFactor({ ...without, voc: 49.4 }, { ...US, lowest: -10 })!;
		expect(Math.floor(1500 / (49.4 * cold.factor))).toBe(26);
	});

	it('never fall as it gets colder', () => {
		const factors = COLD_FACTORS.rows.map(([, factor]) => factor);
		expect(factors).toEqual(factors.toSorted((a, b) => a - b));
	});
});

describe('currents and buses', () => {
	// NEC 690.8 and 690.9, from memory.
	it('1.25 x 1.25 = 1.5625', () => {
		expect(CURRENT.maximum.factor ** 2).toBe(CURRENT.continuous.factor);
		expect(CURRENT.fuse.factor).toBe(1.5625);
	});

	// NEC 705.12, from memory: 200 A bus, 200 A main: 40 A breaker at most, an inverter of at most 32 A.
	it('of 200 A with a main of 200 A leave 40 A', () => {
		const room = BUS_RULE.share * 200 - 200;
		expect(room).toBe(40);
		expect(room / BUS_RULE.inverter).toBe(32);
	});

	// IEC 60269-6, from memory; the trade's case: 1.45 x 10 A = 14.5 A.
	it('surely open a 10 A fuse from 14.5 A', () => {
		expect(GPV.opens * 10).toBeCloseTo(14.5, 9);
	});
});

describe('conductors', () => {
	const conductor = (specs: Partial<PartOf<'conductor'>['specs']>): PartOf<'conductor'> => ({
		id: '',
		kind: 'conductor',
		mark: 'W1',
		place: null,
		model: null,
		serial: null,
		to: null,
		specs: { ...unknownSpecs('conductor'), ...specs }
	});

	// NEC Table 310.16 with 310.15(B)(1) and the 33 K above a roof, from memory.
	it('of 10 AWG at 90 degC in a raceway on a roof of 40 degC bear 40 x 0.58 x ...', () => {
		const specs = { size: 5.26, rating: '90 °C', ambient: 36, laid: 'in a raceway' } as const;
		const flat = ampacityOf(conductor({ ...specs, roofHeight: 10 }), { ...US, edition: 2020 });
		expect(flat).toMatchObject({ known: true, terminals: 35, fuse: 30 });
		if (flat.known) expect(flat.corrected).toBeCloseTo(40 * 0.58, 9);
		const raised = ampacityOf(conductor({ ...specs, roofHeight: 50 }), { ...US, edition: 2020 });
		if (raised.known) expect(raised.corrected).toBeCloseTo(40 * 0.91, 9);
		const graded = ampacityOf(conductor({ ...specs, roofHeight: 50 }), { ...US, edition: 2014 });
		if (graded.known) expect(graded.corrected).toBeCloseTo(40 * 0.71, 9);
	});

	// EN 50618 at 60 degC, from memory.
	it('of 4 mm² solar cable bear 55 A free and 44 A touching', () => {
		const bears = (laid: 'free in air' | 'touching others') => {
			const answer = ampacityOf(conductor({ size: 4, laid }), UNKNOWN_RULES);
			return answer.known ? answer.corrected : null;
		};
		expect(bears('free in air')).toBe(55);
		expect(bears('touching others')).toBe(44);
	});

	it('say what is missing', () => {
		expect(ampacityOf(conductor({}), US)).toMatchObject({
			known: false,
			missing: expect.arrayContaining(['its size'])
		});
	});
});
