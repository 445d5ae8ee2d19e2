import { describe, expect, it } from 'vitest';
import { SALTMARSH } from '../../../tests/support/sites';
import { busVoltageByInput, busVoltageQuestion } from './bus-voltage';
import { findCurrentReadings } from '../visit';

const STRING = { label: 'A1', devices: null } as const;

describe('volts at which a string is said to run', () => {
	it.each([
		[372, 450],
		[450, 450],
		[190, 450],
		// A controller that holds a string at its battery.
		[13.1, 22]
	])('%d V beside %d V open are as they may be', (voltage, open) => {
		expect(busVoltageQuestion(STRING, voltage, open)).toBeNull();
	});

	it('far below are amps typed into the wrong field', () => {
		expect(busVoltageQuestion(STRING, 6.4, 452)).toEqual(
			expect.stringMatching(/6\.4 V.*452 V.*next field/)
		);
	});

	it('above the open volts cannot be', () => {
		expect(busVoltageQuestion(STRING, 480, 452)).toContain('no string operates above that');
	});

	it('are not doubted where nothing is known to compare them with', () => {
		expect(busVoltageQuestion(STRING, 6.4, null)).toBeNull();
		expect(busVoltageQuestion(STRING, 6.4, 0)).toBeNull();
	});

	it('are the optimisers’ own', () => {
		const devices = { kind: 'optimiser', modulesPerDevice: 1, part: null } as const;
		expect(busVoltageQuestion({ label: 'B1', devices }, 380, 12)).toBeNull();
	});
});

it('strings of one input share the newest volts that were read at one of them', () => {
	const { record, visit } = SALTMARSH;
	const byInput = busVoltageByInput(record, findCurrentReadings(visit));
	const inputs = new Set(record.strings.map(({ input }) => input));
	for (const [input, voltage] of byInput) {
		expect(inputs.has(input)).toBe(true);
		const read = visit.readings.filter(
			({ place, quantity, atVolts: atVoltage }) =>
				quantity === 'operating-current' &&
				atVoltage === voltage &&
				'string' in place &&
				record.strings.find(({ id }) => id === place.string)?.input === input
		);
		expect(read.length).toBeGreaterThan(0);
	}
});
