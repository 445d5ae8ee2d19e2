import { describe, expect, it } from 'vitest';
import { DEAD_VOLTAGE, NO_CURRENT } from '$core/assessment';
import { insulationRow } from '$core/profiles';
import { arrivalSteps, switchingOff } from '$core/isolation';
import { switchingOn } from '$core/isolation/switching-on';
import { USUAL_METERS } from '$core/visit';
import { speak } from '$lib/messages/text';
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
	])('%d V x 1.25 are tested with %d V and reach %d Mohm', (voc, testVoltage, least) => {
		expect(insulationRow(voc)).toMatchObject({ testVolts: testVoltage, least });
	});
});

describe('limits that are judgement', () => {
	it('are what docs/safety.md says', () => {
		expect(NO_CURRENT).toBe(0.2);
		expect(DEAD_VOLTAGE).toBe(5);
	});
});

/** Titles of steps with what each must show, and what must pass first. */
const told = (steps: ReturnType<typeof switchingOff>, language: 'en-GB' | 'en-US' = 'en-GB') =>
	steps.map(({ title, proof, wait }) => {
		const { most, least } = proof?.limit ?? {};
		const limit = proof
			? ` [${least === undefined ? '' : `>= ${least}`}${most === undefined ? '' : `<= ${most}`} ${proof.unit}]`
			: '';
		const text = speak(language)(title).replaceAll('\u00a0', ' ');
		return `${wait ? `(${wait.seconds} s) ` : ''}${text}${limit}`;
	});
const NOTHING = new Map();

describe('the terminal, string inverter with fuses (common practice)', () => {
	it('arrives', () => {
		expect(told(arrivalSteps(SALTMARSH.record, USUAL_METERS))).toEqual([
			'Confirm no lightning, high wind or wet. Fit ladder and fall protection.',
			'Confirm two people or a call-in, who holds the locks, and the emergency shutdown',
			'Read the DC rating of meter, leads and probes: CAT III or higher [>= 536 V]',
			'Read the DC rating of the clamp meter: CAT III or higher [>= 536 V]',
			'Verify the meter on a known DC source, leads in V and COM [>= 1 V]',
			'Put on insulating gloves with leather protectors, eye and arc protection. Remove jewellery.',
			'Measure frame-to-earth voltage, DC. Do not touch metal first. [<= 5 V]',
			'Measure frame-to-earth voltage, AC. Do not touch metal first. [<= 5 V]'
		]);
	});

	it('goes down', () => {
		const strings = ['A1', 'A2', 'A3', 'A4', 'B1', 'B2', 'B3', 'B4'];
		expect(told(switchingOff(SALTMARSH.record, 'dead'))).toEqual([
			'Stop INV 1 at its own switch or menu',
			'Switch AC isolator Q10 OFF. Fit lock and tag.',
			'Confirm no AC power on the display of INV 1 [<= 5 W]',
			'Zero the clamp meter. Verify it on a known DC current. [>= 0.5 A]',
			...strings.map((label) => `Confirm no current in ${label} [<= 0.2 A]`),
			'Switch DC isolator Q1 OFF. Fit lock and tag.',
			'Switch DC isolator Q2 OFF. Fit lock and tag.',
			...strings.map((label) => `Confirm no current in ${label}, isolator open [<= 0.2 A]`),
			expect.stringMatching(
				/^\(\d+ s\) Prove INV 1 dead on its side of the open isolator: positive to negative \[<= 5 V\]$/
			),
			'Prove INV 1 dead on its side of the open isolator: positive to earth [<= 5 V]',
			'Prove INV 1 dead on its side of the open isolator: negative to earth [<= 5 V]',
			'Verify the meter again on the known source [>= 1 V]',
			'Remove string fuses, both poles, one string at a time'
		]);
	});

	it('goes back on', () => {
		expect(told(switchingOn(SALTMARSH.record, NOTHING))).toEqual([
			'Fuses still out: confirm polarity and open-circuit voltage of every string',
			'Insert string fuses, DC isolator still open',
			'Remove lock and tag from DC isolator Q1. Switch Q1 ON.',
			'Remove lock and tag from DC isolator Q2. Switch Q2 ON.',
			'Remove lock and tag from AC isolator Q10. Switch Q10 ON.',
			'(60 s) Wait for INV 1 to start. Record its power. [>= 1 W]'
		]);
	});
});

describe('the hall, rapid shutdown (NEC 690.12, memory; the rest common practice)', () => {
	it('begins at the initiator, and 30 s later at most 30 V', () => {
		const steps = told(switchingOff(HOLLIN_CREEK.record, 'dead'), 'en-US');
		expect(steps[0]).toMatch(/^Switch the initiator OFF/);
		expect(steps[1]).toBe('(30 s) Measure string voltage at the inverter after 30 s [<= 30 V]');
		expect(steps[2]).toBe('Stop INV 1 at its own switch or menu');
		expect(steps.at(-1)).toBe('Verify the meter again on the known source [>= 1 V]');
	});

	it('needs no dead proof for live work without fuses to pull', () => {
		const live = told(switchingOff(HOLLIN_CREEK.record, 'open-live'), 'en-US');
		expect(live.at(-1)).toBe('Confirm no current in S4, disconnect open [<= 0.2 A]');
	});
});

describe('the relay hut, battery (common practice)', () => {
	it('opens loads, PV, battery, and proves the controller dead', () => {
		const steps = told(switchingOff(CAIRN_RIGG.record, 'dead'));
		const order = [
			'Switch loads OFF',
			'PV isolator',
			'Confirm no current',
			'Switch battery breaker',
			'positive to negative'
		];
		const found = order.map((words) => steps.findIndex((step) => step.includes(words)));
		expect(found).not.toContain(-1);
		expect(found).toEqual(found.toSorted((a, b) => a - b));
	});

	it('closes the battery before its PV', () => {
		const steps = told(switchingOn(CAIRN_RIGG.record, NOTHING));
		expect(steps.findIndex((step) => step.includes('battery breaker'))).toBeLessThan(
			steps.findIndex((step) => step.includes('DC isolator'))
		);
	});
});

describe('the ticket office, micro-inverters (common practice)', () => {
	it('opens the branch, proves it, then AC and DC connectors', () => {
		const steps = told(switchingOff(KILN_LANE.record, 'dead'));
		expect(steps.slice(-4)).toEqual([
			'Prove the AC branch dead at the roof: line to line [<= 5 V]',
			'Prove the AC branch dead at the roof: line to neutral [<= 5 V]',
			'Prove the AC branch dead at the roof: line to earth [<= 5 V]',
			'Disconnect the unit’s AC connector, then its DC connectors'
		]);
		expect(steps.length).toBeGreaterThanOrEqual(5);
	});
});
