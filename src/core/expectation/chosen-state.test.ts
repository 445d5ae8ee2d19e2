import { describe, expect, it } from 'vitest';
import { HOLLIN_CREEK, SALTMARSH } from '../../../tests/support/sites';
import { expectedInChosenState } from './in-state';
import { settingsOf, switchableOf, usualState } from '../visit';

const { record } = HOLLIN_CREEK;
const [s1] = record.strings;
const voc = usualState('open-circuit-voltage', switchableOf(s1!));

describe('the expected value under the field', () => {
	it('follows the state that is chosen', () => {
		expect(expectedInChosenState(record, s1!, 'open-circuit-voltage', voc)).toBeNull();
		// Eleven devices of 0.6 V.
		expect(
			expectedInChosenState(record, s1!, 'open-circuit-voltage', { ...voc, transmitter: 'off' })
		).toMatchObject({ value: expect.closeTo(6.6, 9) });
		expect(
			expectedInChosenState(record, s1!, 'open-circuit-voltage', { ...voc, siblings: 'joined' })
		).toHaveProperty('missing');
		expect(
			expectedInChosenState(record, s1!, 'operating-current', { ...voc, ac: 'off' })
		).toHaveProperty('missing');
	});

	it('of optimisers is their standby voltage, whatever was chosen', () => {
		const optimised = {
			...s1!,
			moduleCount: 12,
			devices: { kind: 'optimiser', modulesPerDevice: 1, part: null } as const
		};
		const state = usualState('open-circuit-voltage', switchableOf(optimised));
		for (const transmitter of ['fed', 'off', 'none'] as const) {
			expect(
				expectedInChosenState(record, optimised, 'open-circuit-voltage', { ...state, transmitter })
			).toMatchObject({ value: 12 });
		}
	});
});

describe('the settings that are offered', () => {
	it('are those of the devices on record', () => {
		const [plain] = SALTMARSH.record.strings;
		expect(settingsOf(plain!, voc).transmitter).toEqual(['none']);
		expect(settingsOf(s1!, voc).transmitter).toEqual(['fed', 'off']);
		expect(settingsOf({ ...s1!, devices: 'unknown' }, voc).transmitter).toEqual([
			'none',
			'fed',
			'off'
		]);
		expect(settingsOf({ ...plain!, fuse: null }, voc).fuse).toEqual(['none']);
		expect(settingsOf(plain!, voc).fuse).toEqual(['in', 'out']);
	});

	it('let optimisers produce only while the inverter runs', () => {
		const optimised = {
			...s1!,
			devices: { kind: 'optimiser', modulesPerDevice: 1, part: null } as const
		};
		expect(settingsOf(optimised, voc).transmitter).toEqual(['off']);
		const running = usualState('operating-current', switchableOf(optimised));
		expect(settingsOf(optimised, running).transmitter).toContain('fed');
	});
});
