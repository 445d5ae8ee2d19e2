import { fromAbsolute } from '@internationalized/date';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { clockIn } from './zone';

const ZONES = [
	'Europe/Berlin',
	'America/New_York',
	'Australia/Lord_Howe',
	'Africa/Casablanca',
	'UTC'
];

describe('the clock of a zone', () => {
	it('shows what the calendar of that zone says, whatever was asked before', () => {
		const instants = fc.array(
			fc.integer({ min: Date.UTC(2000, 0, 1), max: Date.UTC(2037, 0, 1) }),
			{ minLength: 1 }
		);
		fc.assert(
			fc.property(fc.constantFrom(...ZONES), instants, (zone, asked) => {
				const clock = clockIn(zone);
				for (const instant of asked) {
					expect(clock(instant) - instant).toBe(fromAbsolute(instant, zone).offset);
				}
			})
		);
	});

	it('jumps within the hour of summer time', () => {
		const clock = clockIn('Europe/Berlin');
		const change = Date.UTC(2026, 2, 29, 1);
		expect(clock(change - 1)).toBe(change - 1 + 3_600_000);
		expect(clock(change)).toBe(change + 7_200_000);
	});
});
