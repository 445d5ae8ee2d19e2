import { describe, expect, it } from 'vitest';
import { coldFactor } from '$core/design-checks';
import { COLD_FACTORS, GPV, necBusbar, US_CURRENT } from '$core/profiles';
import { recordedRating } from '$core/design-checks/cables/recorded-cable';
import { type PartOf, type SiteRules, UNKNOWN_RULES, unknownSpecs } from '$core/record';
import { NAMEPLATE } from '../support/scenario';

const without = { ...NAMEPLATE, betaVocPctPerK: null };
const US = { ...UNKNOWN_RULES, profile: 'US' as const };

describe('cold voltage', () => {
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
		expect(coldFactor(NAMEPLATE, { ...US, lowest: -12 })!.factor).toBeCloseTo(1 + 0.0027 * 37, 9);
		expect(coldFactor(NAMEPLATE, { ...US, lowest: null })).toBeNull();
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
		expect(US_CURRENT.maximum.factor ** 2).toBe(US_CURRENT.continuous.factor);
		expect(US_CURRENT.fuse.factor).toBe(1.5625);
	});

	// NEC 705.12(B)(3)(2), from memory: 200 A bus, 200 A main: an inverter of at most 32 A at the far end.
	it('of 200 A with a main of 200 A leave 40 A', () => {
		const met = (inverters: number, farEnd: boolean | null) =>
			necBusbar({
				bus: 200,
				main: 200,
				inverters,
				farEnd,
				breakers: null,
				centreFed: null,
				dwelling: null,
				powerControl: null
			}).find(({ code }) => code === 'opposite-end')!.met;
		expect(met(32, true)).toBe(true);
		expect(met(32, false)).toBe(false);
		expect(met(32, null)).toBeNull();
		expect(met(32.1, true)).toBe(false);
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

	const rated = (specs: Partial<PartOf<'conductor'>['specs']>, rules: SiteRules = US) => {
		const rating = recordedRating(conductor(specs), rules);
		return rating.ok ? rating.value : null;
	};

	// NEC Table 310.16 with 310.15(B)(1) and the 33 K above a roof, from memory.
	it('of 10 AWG at 90 degC in a raceway on a roof carry 40 A x 0.58', () => {
		const specs = {
			size: 5.26,
			rating: '90 °C',
			ambient: 36,
			laid: 'in a raceway',
			together: 2
		} as const;
		const by = (roofHeight: number, edition: 2014 | 2020) =>
			rated({ ...specs, roofHeight }, { ...US, edition })!.corrected;
		expect(by(10, 2020)).toBeCloseTo(40 * 0.58, 9);
		expect(by(50, 2020)).toBeCloseTo(40 * 0.91, 9);
		expect(by(50, 2014)).toBeCloseTo(40 * 0.71, 9);
	});

	// EN 50618 Tables A.3 and A.4, from memory.
	it.each([
		[4, 'free in air', 60, 55],
		[4, 'touching others', 60, 44],
		[6, 'on a surface', 60, 67],
		[6, 'free in air', 80, 58.8],
		[25, 'free in air', 60, 176],
		[240, 'free in air', 60, 775]
	] as const)('of %i mm² PV cable %s at %i degC carry %f A', (size, laid, ambient, current) => {
		const specs = { size, laid, ambient, rating: 'solar cable' } as const;
		expect(rated(specs, UNKNOWN_RULES)!.ampacity).toBeCloseTo(current, 6);
	});

	it('say what is missing, and assume nothing that could let them pass', () => {
		expect(recordedRating(conductor({}), US)).toMatchObject({
			ok: false,
			problem: expect.arrayContaining(['its size'])
		});
		const raceway = { size: 5.26, rating: '90 °C', ambient: 36, laid: 'in a raceway' } as const;
		expect(rated(raceway)).toBeNull();
		const thick = { size: 33.6, rating: '75 °C', ambient: 30, laid: 'free in air' } as const;
		expect(rated(thick)).toBeNull();
		expect(rated({ ...thick, material: 'aluminium' })!.row).toBe('2 AWG');
	});
});
