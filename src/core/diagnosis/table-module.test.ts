import { describe, expect, it } from 'vitest';
import {
	openBits,
	tableTest,
	testsLeft,
	traceTableModule,
	type TableFault,
	type TableReading
} from './table-module';

const module = { substrings: 3, voc: 40.6, reference: null };
const substring = (0.94 * module.voc) / 3;

/** What such a module shows; sound where the fault does not touch it. */
function shows(
	fault: TableFault,
	where: number,
	quantity: TableReading['quantity'],
	at: number
): number {
	const here = at === where;
	switch (quantity) {
		case 'leads':
			if (fault === 'joint-open' || fault === 'section-and-diode-open') return 0;
			return fault === 'joint-resistive' ? 3 * substring : 2 * substring;
		case 'section':
			return here && !fault.startsWith('joint') ? 0.1 : substring;
		case 'joint':
			return here && fault === 'joint-open' ? 1e6 : here && fault === 'joint-resistive' ? 4 : 0.1;
		case 'diode-reverse':
			return here && fault === 'diode-shorted' ? 0.02 : 9.99;
	}
}

describe('a module on a table', () => {
	it.each<[TableFault, number]>([
		['section-dead', 1],
		['diode-shorted', 2],
		['section-and-diode-open', 0],
		['joint-open', 2],
		['joint-resistive', 1]
	])('%s at %i is found by the readings that are proposed', (fault, where) => {
		const readings: TableReading[] = [];
		let answer = traceTableModule(module, readings);
		const open = openBits(answer);
		while (
			answer.possible[0]!.probability < 0.95 &&
			answer.next.length > 0 &&
			readings.length < 12
		) {
			const { quantity, at } = answer.next[0]!;
			readings.push({ quantity, at, value: shows(fault, where, quantity, at) });
			answer = traceTableModule(module, readings);
		}
		expect(answer.possible[0]).toMatchObject({ fault, at: where });
		expect(readings.length).toBeLessThan(9);
		expect(openBits(answer)).toBeLessThan(open);
	});

	it('once bypassed reads what the person’s own readings of the other substrings add up to', () => {
		const dead: TableReading[] = [
			{ quantity: 'section', at: 0, value: 12.1 },
			{ quantity: 'section', at: 1, value: 0.2 },
			{ quantity: 'section', at: 2, value: 11.9 },
			{ quantity: 'diode-reverse', at: 1, value: 9.99 }
		];
		expect(traceTableModule(module, dead).bridged).toEqual({
			voltage: expect.closeTo(24, 9),
			from: 'own-readings'
		});
		// One of two was read: the other is taken as that one.
		const one = traceTableModule(module, [dead[0]!, dead[1]!, dead[3]!]).bridged;
		expect(one!.voltage).toBeCloseTo(24.2, 9);
	});

	it('is held against a reference module in the same light', () => {
		// In dim light a healthy module of 40.6 V reads 34 V; 33.8 V is no loss then, but 31.5 V is one.
		const beside = { ...module, reference: 34 };
		const leads = (value: number, by: typeof module | typeof beside) =>
			traceTableModule(by, [{ quantity: 'leads', at: 0, value }]).possible[0]!.fault;
		expect(leads(33.8, beside)).toBeNull();
		expect(leads(22.6, beside)).not.toBeNull();
		const bridged = traceTableModule(beside, [{ quantity: 'section', at: 1, value: 0 }]).bridged;
		if (bridged)
			expect(bridged).toEqual({ voltage: expect.closeTo((34 * 2) / 3, 9), from: 'reference' });
	});

	it('may be read in any order: every test that was not taken is offered, with what it would tell', () => {
		expect(testsLeft(module, [])).toHaveLength(1 + 2 * 3 + 4);
		const taken: TableReading[] = [{ quantity: 'joint', at: 2, value: 0.1 }];
		const left = testsLeft(module, taken);
		expect(left).toHaveLength(10);
		const { possible } = traceTableModule(module, taken);
		for (const test of left) {
			const { outcomes } = tableTest(module, test, possible);
			expect(outcomes.reduce((sum, one) => sum + one.probability, 0)).toBeCloseTo(1, 6);
		}
	});

	it('that gives its volts is whole, as far as volts tell', () => {
		const { possible } = traceTableModule(module, [
			{ quantity: 'leads', at: 0, value: 3 * substring },
			...[0, 1, 2].map((at) => ({ quantity: 'section' as const, at, value: substring }))
		]);
		expect(possible[0]!.fault).toBeNull();
	});

	it('says what the leads will show with the dead section bridged', () => {
		const { bridged } = traceTableModule(module, [
			{ quantity: 'leads', at: 0, value: 2 * substring },
			{ quantity: 'section', at: 1, value: 0.1 },
			{ quantity: 'diode-reverse', at: 1, value: 9.99 }
		]);
		expect(bridged).toEqual({ voltage: expect.closeTo(2 * substring, 6), from: 'nameplate' });
	});
});
