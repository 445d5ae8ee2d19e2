import { describe, expect, it } from 'vitest';
import { peersOf } from '../../../tests/support/peers';
import { HOLLIN_CREEK, SALTMARSH } from '../../../tests/support/sites';
import { arrayRecord, visitOf } from '../../../tests/support/scenario';
import type { ArrayRecord, StringRecord } from '../record';
import { predictAtShift } from './group';
import { isUsualState, standbyVoltage, voltageInState, type InState } from './in-state';
import { usualState } from '../visit';

const open = usualState('open-circuit-voltage', { fused: true, devices: true });
const record = arrayRecord();
const visit = visitOf({ record });
const groupsOf = (array: ArrayRecord) => [peersOf(array, visit)];
const withDevices = (devices: StringRecord['devices'], moduleCount = 12): StringRecord => ({
	...record.strings[0]!,
	devices,
	moduleCount
});
const predicted = (state: InState) => {
	if ('missing' in state) throw new Error(state.missing);
	return state;
};

describe('the volts of devices that are off', () => {
	it.each([
		[12, 1, 12],
		[13, 2, 7],
		[14, 2, 7]
	] as const)('of %d modules, %d behind each, are those of %d', (modules, each, count) => {
		const string = withDevices(
			{ kind: 'rapid-shutdown', modulesPerDevice: each, part: null },
			modules
		);
		expect(standbyVoltage(record, string)).toEqual({ count, each: 0.6, stated: false });
	});

	it('are the maker’s where the record has them, and surer then', () => {
		const array = HOLLIN_CREEK.record;
		const string = array.strings.find(({ devices }) => devices !== null && devices !== 'unknown')!;
		const stated = standbyVoltage(array, string)!;
		expect(stated.stated).toBe(true);
		const unread = {
			...array,
			parts: array.parts.filter(({ kind }) => kind !== 'rapid-shutdown-device')
		};
		expect(standbyVoltage(unread, string)!.stated).toBe(false);
		const uncertainty = (of: ArrayRecord) => {
			const { value, contributions } = predicted(
				voltageInState(of, [], string, { ...open, transmitter: 'off' })
			);
			return contributions[0]!.standardUncertainty / value;
		};
		expect(uncertainty(unread)).toBeGreaterThan(1.5 * uncertainty(array));
	});

	it('are not known where nobody looked, and none where there is none', () => {
		expect(standbyVoltage(record, withDevices('unknown'))).toBeNull();
		expect(standbyVoltage(record, withDevices(null))).toBeNull();
		const answer = voltageInState(record, [], withDevices('unknown'), {
			...open,
			transmitter: 'off'
		});
		expect(answer).toEqual({ missing: expect.stringContaining('is not recorded') });
	});

	it('are no volts of a branch of micro-inverters: it carries AC', () => {
		const branch = withDevices({ kind: 'micro-inverter', modulesPerDevice: 1, part: null });
		expect(standbyVoltage(record, branch)).toBeNull();
	});
});

describe('a string on its bus', () => {
	it('shares the volts of its comparable strings: a shorter one is lifted, the longer are drawn down', () => {
		const shorter: ArrayRecord = {
			...record,
			strings: record.strings.map((string) =>
				string.label === 'A1' ? { ...string, moduleCount: 11 } : string
			)
		};
		const groups = groupsOf(shorter);
		const [a1, a2] = shorter.strings as [StringRecord, StringRecord];
		const own = (string: StringRecord) =>
			predictAtShift(
				groups[0]!,
				string,
				'open-circuit-voltage',
				null,
				groups[0]!.estimates[0].shift
			).value;
		const joined = { ...open, siblings: 'joined' } as const;
		const shared = predicted(voltageInState(shorter, groups, a1, joined));
		expect(shared.value).toBeGreaterThan(own(a1));
		expect(shared.value).toBeLessThan(own(a2));
		expect(predicted(voltageInState(shorter, groups, a2, joined)).value).toBeCloseTo(
			shared.value,
			3
		);
		expect(shared.contributions[0]!.words).toContain('4 strings on one bus');
	});

	it('whose input nobody recorded is on it alone', () => {
		const alone: ArrayRecord = {
			...record,
			strings: record.strings.map((string) => ({ ...string, input: null }))
		};
		const { contributions } = predicted(
			voltageInState(alone, groupsOf(alone), alone.strings[0]!, { ...open, siblings: 'joined' })
		);
		expect(contributions[0]!.words).toContain('1 strings');
	});
});

describe('a covered section', () => {
	it('has no expected value, but the string bare to be held against', () => {
		const answer = voltageInState(record, groupsOf(record), record.strings[0]!, {
			...open,
			covered: true
		});
		expect(answer).toEqual({ missing: expect.stringContaining('uncovered') });
	});
});

describe('the usual state', () => {
	it('is alone, open and bare, with the devices letting the volts through', () => {
		expect(isUsualState(open)).toBe(true);
		expect(isUsualState({ ...open, covered: true })).toBe(false);
		expect(isUsualState({ ...open, siblings: 'joined' })).toBe(false);
		expect(isUsualState({ ...open, transmitter: 'off' })).toBe(false);
		expect(isUsualState({ ...open, shorted: true })).toBe(false);
	});

	it('is that of every open-circuit reading of the demo', () => {
		const voltage = SALTMARSH.visit.readings.filter(
			({ quantity }) => quantity === 'open-circuit-voltage'
		);
		expect(voltage.length).toBeGreaterThan(0);
		for (const { state } of voltage) expect(isUsualState(state!)).toBe(true);
	});
});
