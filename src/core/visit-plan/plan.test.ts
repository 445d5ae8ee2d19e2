import { judgeByModel } from '../assessment';
import {
	effectiveVisit,
	emptyVisit,
	keyOf,
	meaningsOf,
	type Purpose,
	QUANTITIES,
	QUANTITY_FACTS,
	stateProblem,
	type Visit
} from '../visit';
import { describe, expect, it } from 'vitest';
import { visitOf } from '../../../tests/support/scenario';
import {
	ALL_SITES,
	CAIRN_RIGG,
	HOLLIN_CREEK,
	KILN_LANE,
	SALTMARSH
} from '../../../tests/support/sites';
import type { ArrayRecord } from '../record';
import { itemsOf, visitPlan } from './plan';
import { measurementPointsOf } from './measurement-points';

const coming = (purpose: Purpose, says = ''): Visit => ({
	...emptyVisit({ id: 'v', startedAt: '2026-06-01T10:00:00Z', by: 'x', purpose, reason: '' }),
	inverterSays: says
});
const planOf = (record: ArrayRecord, visit: Visit) =>
	visitPlan(record, visit, judgeByModel(record, effectiveVisit(record, visit)).places);
const quantities = (record: ArrayRecord, visit: Visit) => [
	...new Set(itemsOf(planOf(record, visit)).map(({ quantity }) => quantity))
];

describe('the plan of a visit', () => {
	it('goes from closed covers over open ones to dead parts, each cover once', () => {
		for (const { record } of ALL_SITES) {
			const { blocks } = planOf(record, coming('insurance'));
			const order = blocks.map(({ task }) => task);
			expect(order).toEqual(
				['closed-covers', 'open-live', 'dead'].filter((task) => order.includes(task as never))
			);
			for (const { stops } of blocks) {
				const titles = stops.map(({ title }) => title);
				expect(new Set(titles).size).toBe(titles.length);
			}
		}
	});

	it('holds each reading once, in a state in which it can be read', () => {
		for (const { record } of ALL_SITES) {
			const items = itemsOf(planOf(record, coming('insurance', 'ground fault; no grid')));
			expect(new Set(items.map(({ key }) => key)).size).toBe(items.length);
			for (const { quantity, state, place } of items) {
				expect(stateProblem(quantity, state)).toBeNull();
				expect(QUANTITY_FACTS[quantity].places).toContain(place.kind);
			}
		}
	});

	it('looks at what the purpose asks for', () => {
		const { record } = SALTMARSH;
		expect(quantities(record, coming('routine'))).toEqual([
			'ac-power',
			'operating-current',
			'open-circuit-voltage'
		]);
		expect(quantities(record, coming('take-over'))).toContain('insulation-resistance');
		expect(quantities(record, coming('insurance'))).toEqual(
			expect.arrayContaining(['fuse-resistance', 'positive-to-earth', 'insulation-resistance'])
		);
	});

	it('follows what the inverter says', () => {
		const { record } = SALTMARSH;
		expect(quantities(record, coming('fault', 'PV earth fault'))).toContain('negative-to-earth');
		expect(quantities(record, coming('fault', 'Grid lost'))).toContain('ac-voltage');
		const shutdown = quantities(HOLLIN_CREEK.record, coming('fault', 'Rapid shutdown active'));
		expect(shutdown).toEqual(expect.arrayContaining(['lamp', 'ac-voltage', 'dc-voltage']));
	});

	it('is made anew as readings come in: done ones are ticked, a string without current gets its fuses', () => {
		const { record } = SALTMARSH;
		const visit = visitOf({
			record,
			faults: { B1: { code: 'fuse-blown' } }
		});
		const plan = planOf(record, visit);
		const fuses = itemsOf(plan).filter(({ quantity }) => quantity === 'fuse-resistance');
		const b1 = record.strings.find(({ label }) => label === 'B1')!;
		expect(fuses.map(({ place }) => 'string' in place && place.string)).toEqual([b1.id]);
		const read = itemsOf(plan).filter(({ quantity }) => quantity === 'open-circuit-voltage');
		expect(read.every(({ done }) => done)).toBe(true);
		const before = planOf(record, coming('routine'));
		expect(plan.seconds).toBeLessThan(before.seconds);
		expect(before.seconds).toBeGreaterThan(600);
	});

	it('looks at the supply where the devices hold every string down', () => {
		const { record } = HOLLIN_CREEK;
		const visit = visitOf({ record, quantities: ['open-circuit-voltage'] });
		const readings = visit.readings.map((reading) => ({ ...reading, value: 6.6 }));
		expect(quantities(record, { ...visit, readings })).toContain('lamp');
	});

	it('of micro-inverters stays on the AC side, of a battery reads it before anything is closed', () => {
		expect(quantities(KILN_LANE.record, coming('routine'))).toEqual(['unit-power', 'ac-voltage']);
		expect(quantities(CAIRN_RIGG.record, coming('routine'))).toContain('dc-voltage');
	});
});

describe('places of a quantity', () => {
	it('are each one place, in the record, and the right kind for it', () => {
		for (const { record } of ALL_SITES)
			for (const quantity of QUANTITIES) {
				const spots = measurementPointsOf(record, quantity);
				const keys = spots.map(keyOf);
				expect(new Set(keys).size).toBe(keys.length);
				for (const { place } of spots)
					expect(QUANTITY_FACTS[quantity].places).toContain(place.kind);
			}
		expect(measurementPointsOf(SALTMARSH.record, 'fuse-voltage')).toHaveLength(16);
		// And the inverter's own.
		expect(measurementPointsOf(SALTMARSH.record, 'fuse-resistance')).toHaveLength(17);
		expect(measurementPointsOf(HOLLIN_CREEK.record, 'lamp')).toHaveLength(2);
	});
});

describe('what an inverter says', () => {
	it.each([
		['GFDI fuse open', 'earth-fault-fuse'],
		['Earth fault: fuse interrupted', 'earth-fault-fuse'],
		['Isolation low', 'insulation-low'],
		['Riso < 200 kOhm', 'insulation-low'],
		['Ground fault detected', 'insulation-low'],
		['No AC grid', 'no-ac'],
		['Utility loss', 'no-ac'],
		['Grid over frequency', 'no-ac'],
		['DC overvoltage', 'dc-over-voltage'],
		['PV voltage too high: input over voltage', 'dc-over-voltage'],
		['Arc detected, string 2', 'arc-fault'],
		['Rapid shutdown initiated', 'rapid-shutdown'],
		['Temperature derating', 'derating'],
		['String current fault', 'low-dc']
	])('“%s” means %s', (says, id) => {
		expect(meaningsOf(says).map((meaning) => meaning.id)).toContain(id);
	});

	it('means nothing where no word is known, and each meaning has its first test and caution', () => {
		expect(meaningsOf('')).toEqual([]);
		expect(meaningsOf('E-4711')).toEqual([]);
		for (const { firstTest, caution } of meaningsOf(
			'gfdi arc rapid grid loss input over fan dc low'
		)) {
			expect(firstTest.length).toBeGreaterThan(10);
			expect(caution).not.toMatch(/\bsafe\b/i);
		}
	});
});
