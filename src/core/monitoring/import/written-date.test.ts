import { expect, it } from 'vitest';
import { inFigures } from './written-date';
import { guessForm, readStamp } from './stamp';

it.each([
	['12-Mar-2026 14:15', '2026-03-12T14:15'],
	['12 March 2026 14:15', '2026-03-12T14:15'],
	['12. März 2026 14:15', '2026-03-12T14:15'],
	['Mar 12, 2026 2:15 PM', '2026-03-12T14:15'],
	['Thu 12.03.2026 14:15', '2026-03-12T14:15'],
	['20260312T141500', '2026-03-12T14:15'],
	['202603121415', '2026-03-12T14:15'],
	['20260312', '2026-03-12T00:00'],
	['2026-03-12 14:15 - 14:30', '2026-03-12T14:15'],
	['2026-03-12 14:15:00 – 2026-03-12 14:30:00', '2026-03-12T14:15']
])('%s is read', (text, expected) => {
	expect(readStamp(text, 'day-first')?.clock).toBe(Date.parse(`${expected}Z`));
});

it('the zone’s letters are its offset, in summer too', () => {
	expect(readStamp('2026-07-12 14:15 CEST', 'year-first')?.offset).toBe(7_200_000);
	expect(readStamp('2026-01-12 14:15 CET', 'year-first')?.offset).toBe(3_600_000);
});

it('serial dates of a sheet are days from the end of 1899, and times their shares', () => {
	const cells = ['46093.59375', '46093.604166666664'];
	expect(guessForm(cells)).toEqual({ form: 'sheet-serial', sure: true });
	expect(readStamp(cells[0]!, 'sheet-serial')).toEqual({
		clock: Date.parse('2026-03-12T14:15Z'),
		offset: null
	});
	// Power of some thousand W is no date.
	expect(guessForm(['3200', '41000'])).toBeNull();
});

it('what is too long for a date is none, however it is filled', () => {
	expect(inFigures(`${' '.repeat(50_000)}x${' '.repeat(50_000)}`)).toBe('x');
	expect(inFigures(`2026-03-12${' '.repeat(0)}${'1'.repeat(3000)}`)).toBe('');
	expect(readStamp(`2026-03-12 ${' '.repeat(3000)}14:15`, 'year-first')).toBeNull();
});
