import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INSTALLATIONS, rateCable, type CableSpec } from './cable-rating';
import { cableArea } from './cable-size';
import { EN50618_SIZES } from './en50618';
import { NEC_COLUMNS, NEC_SIZES, necAmbientFactor, necGroupingFactor } from './nec-tables';

const nec = (size: string, change: Partial<CableSpec> = {}): CableSpec => ({
	profile: 'NEC',
	material: 'copper',
	area: cableArea(size)!,
	insulation: 75,
	ambient: 30,
	installation: 'raceway',
	...change
});
const iec = (area: number, change: Partial<CableSpec> = {}): CableSpec => ({
	profile: 'IEC',
	material: 'copper',
	area,
	insulation: 120,
	ambient: 60,
	installation: 'free-air',
	...change
});
const rated = (spec: CableSpec) => {
	const rating = rateCable(spec);
	if (!rating.ok) throw new Error(JSON.stringify(rating.problem));
	return rating.value;
};

describe('a cable by the NEC', () => {
	it('takes the correction of its own column', () => {
		expect(rated(nec('10 AWG', { ambient: 60 })).ampacity).toBeCloseTo(20.3, 6);
		expect(rated(nec('10 AWG', { ambient: 60, insulation: 90 })).ampacity).toBeCloseTo(28.4, 6);
		expect(rateCable(nec('10 AWG', { ambient: 60, insulation: 60 }))).toMatchObject({
			ok: false,
			problem: { code: 'too-warm' }
		});
	});

	it('has its correction up to 85 °C, and none beyond', () => {
		expect(rated(nec('10 AWG', { insulation: 90, ambient: 73 })).ambientFactor).toBe(0.5);
		expect(rated(nec('10 AWG', { insulation: 90, ambient: 85 })).ambientFactor).toBe(0.29);
		expect(rateCable(nec('10 AWG', { insulation: 90, ambient: 86 })).ok).toBe(false);
	});

	it('knows every size from 14 AWG up, in copper and aluminium', () => {
		expect(rated(nec('2/0')).ampacity).toBe(175);
		expect(rated(nec('4/0', { insulation: 90 })).ampacity).toBe(260);
		expect(rated(nec('4/0', { material: 'aluminium' })).ampacity).toBe(180);
		expect(rated(nec('500 kcmil', { material: 'aluminium', insulation: 90 })).ampacity).toBe(350);
		expect(rateCable(nec('14 AWG', { material: 'aluminium' })).ok).toBe(false);
		expect(rateCable(nec('18 AWG')).ok).toBe(false);
	});

	it('is adjusted for more than three conductors together', () => {
		expect([3, 4, 6, 7, 9, 10, 20, 21, 31, 41].map(necGroupingFactor)).toEqual([
			1, 0.8, 0.8, 0.7, 0.7, 0.5, 0.5, 0.45, 0.4, 0.35
		]);
		expect(rated(nec('6 AWG', { conductors: 8 })).ampacity).toBeCloseTo(65 * 0.7, 6);
	});

	it('is limited by terminals without correction', () => {
		const cool = rated(nec('8 AWG', { insulation: 90, terminals: 60 }));
		expect(cool).toMatchObject({ ampacity: 40, limitedBy: 'terminals', corrected: 55 });
		const warm = rated(nec('8 AWG', { insulation: 90, terminals: 75, ambient: 60 }));
		expect(warm.limitedBy).toBe('insulation');
		expect(warm.ampacity).toBeCloseTo(55 * 0.71, 6);
	});

	it('is protected by the next standard rating, small conductors by less', () => {
		expect(['14 AWG', '12 AWG', '10 AWG'].map((size) => rated(nec(size)).maximumFuse)).toEqual([
			15, 20, 30
		]);
		expect(rated(nec('6 AWG')).maximumFuse).toBe(70);
		// Derated to 20.3 A: 25 A is the next standard rating, below the 30 A of the size.
		expect(rated(nec('10 AWG', { ambient: 60 })).maximumFuse).toBe(25);
		expect(rated(nec('12 AWG', { material: 'aluminium' })).maximumFuse).toBe(15);
	});

	it('of PV wire is read in the 90 °C column', () => {
		expect(rated(nec('10 AWG', { insulation: 120 })).ampacity).toBe(40);
	});
});

describe('a cable by EN 50618', () => {
	it('carries less in warmer air', () => {
		expect(rated(iec(6)).ampacity).toBe(70);
		expect(rated(iec(6, { ambient: 80 })).ampacity).toBeCloseTo(58.8, 6);
		expect(rated(iec(6, { ambient: 70 })).ampacity).toBeCloseTo(64.4, 6);
		expect(rateCable(iec(6, { ambient: 95 })).ok).toBe(false);
	});

	it('carries less on a surface, and touching another', () => {
		const by = (installation: CableSpec['installation']) =>
			rated(iec(4, { installation })).ampacity;
		expect(by('free-air')).toBe(55);
		expect(by('on-surface')).toBe(52);
		expect(by('touching')).toBe(44);
		expect(rateCable(iec(4, { installation: 'raceway' })).ok).toBe(false);
	});

	it('carries less in a bundle of circuits', () => {
		expect(rated(iec(4, { installation: 'touching', conductors: 6 }))).toMatchObject({
			groupingFactor: 0.7
		});
		expect(rateCable(iec(4, { conductors: 60 })).ok).toBe(false);
	});

	it('is not read for other insulation or aluminium', () => {
		expect(rateCable(iec(6, { insulation: 90 })).ok).toBe(false);
		expect(rateCable(iec(6, { material: 'aluminium' })).ok).toBe(false);
	});

	it('has a fuse at or below its ampacity', () => {
		expect(rated(iec(4, { installation: 'touching' })).maximumFuse).toBe(40);
	});
});

describe('every table', () => {
	it('rises with size and with the temperature of the column', () => {
		for (const material of ['copper', 'aluminium'] as const) {
			for (const table of ['raceway', 'freeAir'] as const) {
				const rows = NEC_SIZES.flatMap((size) => size[table][material] ?? []);
				const columns = NEC_COLUMNS.map((_, c) => rows.filter((__, i) => i % 3 === c));
				for (const column of columns) {
					expect(column).toEqual(column.toSorted((a, b) => a - b));
					expect(new Set(column).size).toBe(column.length);
				}
				columns[0]!.forEach((at60, i) => {
					expect(columns[1]![i]).toBeGreaterThan(at60);
					expect(columns[2]![i]).toBeGreaterThan(columns[1]![i]!);
				});
			}
		}
		for (const laying of ['free-air', 'on-surface', 'touching'] as const) {
			const column = EN50618_SIZES.map(({ ampacity }) => ampacity[laying]);
			expect(column).toEqual(column.toSorted((a, b) => a - b));
		}
	});

	it('has resistance times size of one metal', () => {
		for (const { area, resistance } of NEC_SIZES) {
			expect((resistance.copper * area) / 1000).toBeCloseTo(0.0214, 3);
			expect((resistance.aluminium * area) / 1000).toBeCloseTo(0.0352, 3);
		}
		for (const { size, resistance } of EN50618_SIZES) {
			expect((resistance * size) / 1000).toBeGreaterThan(0.0193);
			expect((resistance * size) / 1000).toBeLessThan(0.0207);
		}
	});

	it('never gives more in warmer air, with more conductors, or for less copper', () => {
		const specs = fc.record({
			profile: fc.constantFrom('NEC' as const, 'IEC' as const),
			area: fc.double({ min: 1.5, max: 240, noNaN: true }),
			insulation: fc.constantFrom(75 as const, 90 as const, 120 as const),
			ambient: fc.double({ min: -20, max: 90, noNaN: true }),
			installation: fc.constantFrom(...INSTALLATIONS),
			conductors: fc.integer({ min: 1, max: 30 })
		});
		fc.assert(
			fc.property(specs, fc.double({ min: 0, max: 20, noNaN: true }), (given, more) => {
				const spec: CableSpec = { ...given, material: 'copper' };
				const base = rateCable(spec);
				if (!base.ok) return;
				for (const worse of [
					{ ...spec, ambient: spec.ambient + more },
					{ ...spec, conductors: given.conductors + 3 },
					{ ...spec, area: spec.area * 0.8 }
				]) {
					const rating = rateCable(worse);
					if (rating.ok) expect(rating.value.ampacity).toBeLessThanOrEqual(base.value.ampacity);
				}
			})
		);
	});

	it('knows the factor at 30 °C as 1 in every column', () => {
		expect(NEC_COLUMNS.map((column) => necAmbientFactor(30, column))).toEqual([1, 1, 1]);
	});
});

describe('a conductor size', () => {
	it.each([
		['10 AWG', 5.261],
		['#10', 5.261],
		['10awg', 5.261],
		['2/0', 67.43],
		['2/0 AWG', 67.43],
		['250 kcmil', 126.68],
		['250 MCM', 126.68],
		['6', 6],
		['6 mm²', 6],
		['2,5 mm2', 2.5],
		[16, 16]
	])('is read from %s', (typed, area) => {
		expect(cableArea(typed)).toBeCloseTo(area, 2);
	});

	it.each(['', 'thick', '0', '-4', '6 metres', '40 AWG', Number.NaN, 0])(
		'is not read from %s',
		(typed) => {
			expect(cableArea(typed)).toBeNull();
		}
	);
});
