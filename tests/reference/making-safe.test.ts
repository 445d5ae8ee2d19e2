import { describe, expect, it } from 'vitest';
import { DEAD_VOLTS, NO_CURRENT } from '$core/assessment';
import { insulationRow } from '$core/profiles';
import { arrivalSteps, switchingOff } from '$core/isolation';
import { switchingOn } from '$core/isolation/switching-on';
import { USUAL_METERS } from '$core/visit';
import { CAIRN_RIGG, HOLLIN_CREEK, KILN_LANE, SALTMARSH } from '../support/sites';

/*
 * Figures and orders of making safe and of insulation, each with its source beside it. The orders are
 * written out whole for the demo's four sites, so that a change of any step is seen here.
 */

describe('insulation, IEC 62446-1 (memory)', () => {
	it.each([
		// Voc at standard conditions, test volts, least Mohm.
		[90, 250, 0.5],
		[96.1, 500, 1],
		[399, 500, 1],
		[401, 1000, 1],
		[799, 1000, 1],
		[801, 1500, 1],
		[1190, 1500, 1]
	])('%d V x 1.25 are tested with %d V and reach %d Mohm', (voc, testVolts, least) => {
		expect(insulationRow(voc)).toMatchObject({ testVolts, least });
	});
});

describe('limits that are judgement', () => {
	it('are what docs/safety.md says', () => {
		expect(NO_CURRENT).toBe(0.2);
		expect(DEAD_VOLTS).toBe(5);
	});
});

/** Titles of steps with what each must show, and what must pass first. */
const told = (steps: ReturnType<typeof switchingOff>) =>
	steps.map(({ title, proof, wait }) => {
		const { most, least } = proof?.limit ?? {};
		const limit = proof
			? ` [${least === undefined ? '' : `>= ${least}`}${most === undefined ? '' : `<= ${most}`} ${proof.unit}]`
			: '';
		return `${wait ? `(${wait.seconds} s) ` : ''}${title}${limit}`;
	});
const NOTHING = new Map();
/** One line for each of several strings. */
const each = (labels: string, words: string) =>
	labels.split(' ').map((label) => `${label}: ${words}`);

describe('the terminal, string inverter with fuses (common practice)', () => {
	it('arrives', () => {
		expect(told(arrivalSteps(SALTMARSH.record, USUAL_METERS))).toEqual([
			'No lightning, storm or wet; ladder and fall protection in place',
			'Two people or a call-in; who holds the locks; emergency shutdown known',
			'Meter, leads and probes: rating read, CAT III or higher [>= 536 V]',
			'Clamp: rating read, CAT III or higher [>= 536 V]',
			'Meter proved on a known DC source, leads in V and COM [>= 1 V]',
			'Insulating gloves with leather protectors, eye and arc protection, jewellery off',
			'Confirm rack and frames are not live, before touching them [<= 5 V]'
		]);
	});

	it('goes down', () => {
		const strings = 'A1 A2 A3 A4 B1 B2 B3 B4';
		expect(told(switchingOff(SALTMARSH.record, 'dead'))).toEqual([
			'Stop INV 1 at its own switch or menu',
			'AC disconnect Q10 off, lock, tag',
			'INV 1: AC power 0 on its display [<= 5 W]',
			'Clamp zeroed, then shown a known DC current [>= 0.5 A]',
			...each(strings, 'clamp shows 0 A [<= 0.2 A]'),
			'DC disconnect Q1 off, lock, tag',
			'DC disconnect Q2 off, lock, tag',
			...each(strings, 'clamp shows 0 A again [<= 0.2 A]'),
			expect.stringMatching(
				/^\(\d+ s\) INV 1, its side of the open switch: plus to minus \[<= 5 V\]$/
			),
			'INV 1, its side of the open switch: plus to earth [<= 5 V]',
			'INV 1, its side of the open switch: minus to earth [<= 5 V]',
			'Meter proved again on the known source [>= 1 V]',
			'String fuses out, both poles, one after the other'
		]);
	});

	it('goes back on', () => {
		expect(told(switchingOn(SALTMARSH.record, NOTHING))).toEqual([
			'Fuses still out: polarity and open-circuit volts of every string in band',
			'String fuses in, the disconnect still open',
			'Q1: lock and tag off, DC on',
			'Q2: lock and tag off, DC on',
			'Q10: lock and tag off, AC on',
			'(60 s) INV 1: started, its power noted [>= 1 W]'
		]);
	});
});

describe('the hall, rapid shutdown (NEC 690.12, memory; the rest common practice)', () => {
	it('begins at the initiator, and 30 s later at most 30 V', () => {
		const steps = told(switchingOff(HOLLIN_CREEK.record, 'dead'));
		expect(steps[0]).toMatch(/^Initiator off/);
		expect(steps[1]).toBe('(30 s) Volts of the strings at the inverter after 30 s [<= 30 V]');
		expect(steps[2]).toBe('Stop INV 1 at its own switch or menu');
		expect(steps.at(-1)).toBe('Meter proved again on the known source [>= 1 V]');
	});

	it('needs no dead proof for live work without fuses to pull', () => {
		const live = told(switchingOff(HOLLIN_CREEK.record, 'open-live'));
		expect(live.at(-1)).toBe('S4: clamp shows 0 A again [<= 0.2 A]');
	});
});

describe('the relay hut, battery (common practice)', () => {
	it('opens loads, PV, battery, and proves the controller dead', () => {
		const steps = told(switchingOff(CAIRN_RIGG.record, 'dead'));
		const order = [
			'Loads off',
			'PV disconnect',
			'clamp shows 0 A again',
			'battery breaker off',
			'plus to minus'
		];
		const found = order.map((words) => steps.findIndex((step) => step.includes(words)));
		expect(found).not.toContain(-1);
		expect(found).toEqual(found.toSorted((a, b) => a - b));
	});

	it('closes the battery before its PV', () => {
		const steps = told(switchingOn(CAIRN_RIGG.record, NOTHING));
		expect(steps.findIndex((step) => step.includes('battery breaker on'))).toBeLessThan(
			steps.findIndex((step) => step.includes('DC on'))
		);
	});
});

describe('the ticket office, micro-inverters (common practice)', () => {
	it('opens the branch, proves it, then AC and DC connectors', () => {
		const steps = told(switchingOff(KILN_LANE.record, 'dead'));
		expect(steps.at(-2)).toBe('AC branch at the roof: no volts [<= 5 V]');
		expect(steps.at(-1)).toBe('AC connector of the unit apart, then its DC connectors');
		expect(steps.length).toBeGreaterThanOrEqual(3);
	});
});
