import { describe, expect, it } from 'vitest';
import { QUANTITIES, QUANTITY_FACTS, stateMessages, usualState } from '$core/visit';
import { ago, day, dayAndTime } from './when';
import { chance, count, figureOf, kilowatts, signed } from './format';

describe('times', () => {
	it('are told in the site’s own time zone, whatever the machine’s is', () => {
		const instant = '2026-11-17T23:30:00Z';
		expect(day(instant, 'Etc/UTC')).toBe('17 November 2026');
		expect(day(instant, 'Pacific/Auckland')).toBe('18 November 2026');
		expect(dayAndTime(instant, 'Etc/UTC')).toMatch(/17 Nov 2026.* 23:30/);
		// One hour later by summer time.
		expect(dayAndTime('2026-07-01T10:00:00Z', 'Europe/Lisbon')).toMatch(/11:00/);
	});

	it.each([
		[0, 'just now'],
		[12, '12 min ago'],
		[180, '3 h ago'],
		[5 * 24 * 60, '5 days ago'],
		[-30, 'just now']
	])('%i minutes are %s', (minutes, words) => {
		const now = Date.parse('2026-11-24T12:00:00Z');
		expect(ago(new Date(now - minutes * 60_000).toISOString(), now)).toBe(words);
	});
});

describe('figures', () => {
	it('show what a meter shows, with a true minus', () => {
		expect(figureOf(452.849, 'V')).toBe('452.8');
		expect(figureOf(0.548, 'V')).toBe('0.55');
		expect(figureOf(0, 'V')).toBe('0.0');
		expect(figureOf(8.119, 'A')).toBe('8.12');
		expect(signed(-12.04, 1)).toBe('\u221212.0');
		expect(signed(0.9, 1)).toBe('+0.9');
		expect(signed(-0.01, 1)).toBe('±0.0');
		expect(kilowatts(32160)).toBe('32.2 kW');
		expect([1, 0.996, 0.994, 0.5, 0.001].map(chance)).toEqual([
			'>99 %',
			'>99 %',
			'99 %',
			'50 %',
			'1 %'
		]);
		expect([0, 1, 8].map((n) => count(n, 'string'))).toEqual([
			'0 strings',
			'1 string',
			'8 strings'
		]);
	});

	it('have a name, a unit and a switching state for every quantity', () => {
		for (const quantity of QUANTITIES) {
			const { words, meter, places } = QUANTITY_FACTS[quantity];
			expect(words.length).toBeGreaterThan(1);
			expect(meter.length).toBeGreaterThan(1);
			expect(places.length).toBeGreaterThan(0);
			const [inverter, disconnect] = stateMessages(usualState(quantity));
			expect(inverter!.code).toMatch(/^state\.inverter-(running|stopped)$/);
			expect(disconnect!.code).toMatch(/^state\.disconnect-(open|closed)$/);
		}
	});
});
