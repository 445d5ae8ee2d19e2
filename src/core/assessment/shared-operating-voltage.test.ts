import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import { SALTMARSH } from '../../../tests/support/sites';
import { readingAt } from '../../../tests/support/readings';
import { stringKey, stringPlace } from '../visit';
import type { ArrayRecord } from '../record';
import {
	inputsByVoltage,
	sharedVoltage,
	stringsWithInputs,
	voltageKeys
} from './shared-operating-voltage';

const known = arrayRecord(['A1', 'A2', 'B1', 'B2']);
const blind: ArrayRecord = {
	...known,
	strings: known.strings.map((string) => ({ ...string, input: null }))
};
const at = (voltages: Readonly<Record<string, number>>) =>
	new Map(
		Object.entries(voltages).map(([label, atVoltage]) => {
			const { id } = known.strings.find((string) => string.label === label)!;
			const reading = readingAt(stringPlace(id), 'operating-current', 8, { atVolts: atVoltage });
			return [stringKey(id, 'operating-current'), reading] as const;
		})
	);
const of = (record: ArrayRecord, label: string) =>
	record.strings.find((string) => string.label === label)!;

describe('the operating voltage', () => {
	it('is typed once for each input', () => {
		const standing = at({ A1: 410 });
		expect(sharedVoltage(known, voltageKeys(known), standing, of(known, 'A2'))).toEqual({
			voltage: 410,
			from: 'A1',
			recorded: true
		});
		expect(sharedVoltage(known, voltageKeys(known), standing, of(known, 'B1'))).toBeNull();
	});

	it('is taken over to every string whose input nobody recorded, and said to be', () => {
		const standing = at({ A1: 410 });
		expect(sharedVoltage(blind, voltageKeys(blind), standing, of(blind, 'B2'))).toEqual({
			voltage: 410,
			from: 'A1',
			recorded: false
		});
	});

	it('is the newest by the order of entry, and a string’s own where it has one', () => {
		const standing = at({ A1: 410, B1: 395 });
		expect(sharedVoltage(blind, voltageKeys(blind), standing, of(blind, 'B2'))!.voltage).toBe(395);
		expect(sharedVoltage(blind, voltageKeys(blind), standing, of(blind, 'A1'))!.voltage).toBe(410);
	});

	it('shows the inputs where nobody recorded them', () => {
		const groups = inputsByVoltage(
			blind,
			voltageKeys(blind),
			at({ A1: 410, A2: 411, B1: 395, B2: 394.5 })
		);
		expect(groups.map(({ strings }) => strings.map(({ label }) => label))).toEqual([
			['B1', 'B2'],
			['A1', 'A2']
		]);
		expect(inputsByVoltage(blind, voltageKeys(blind), at({ A1: 410, A2: 411 }))).toEqual([]);
		expect(inputsByVoltage(known, voltageKeys(known), at({ A1: 410, B1: 395 }))).toEqual([]);
	});

	it('gives the groups the free inputs of their inverter, in the order of the strings', () => {
		const inverter = SALTMARSH.record.parts.find(({ kind }) => kind === 'inverter')!;
		const wired: ArrayRecord = {
			...blind,
			parts: [{ ...inverter, to: null }],
			strings: blind.strings.map((string) => ({ ...string, to: inverter.id }))
		};
		const keys = voltageKeys(wired);
		const groups = inputsByVoltage(wired, keys, at({ A1: 410, A2: 411, B1: 395, B2: 394.5 }));
		expect(stringsWithInputs(wired, groups)!.map(({ label, input }) => [label, input])).toEqual([
			['A1', '1'],
			['A2', '1'],
			['B1', '2'],
			['B2', '2']
		]);
		// Three voltages and two inputs: nobody knows.
		const three = inputsByVoltage(wired, keys, at({ A1: 410, A2: 380, B1: 395, B2: 394.5 }));
		expect(stringsWithInputs(wired, three)).toBeNull();
		expect(stringsWithInputs(blind, groups)).toBeNull();
	});
});
