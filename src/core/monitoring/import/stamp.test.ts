import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { guessForm, readStamp } from './stamp';

const clock = (text: string) => Date.parse(`${text}Z`);

describe('a time of an export', () => {
	it.each([
		['2026-03-12 14:15', 'year-first', '2026-03-12T14:15', null],
		['2026-03-12T14:15:30Z', 'year-first', '2026-03-12T14:15:30', 0],
		['2026/03/12 14:15:30.250', 'year-first', '2026-03-12T14:15:30', null],
		['2026-03-12T14:15+02:00', 'year-first', '2026-03-12T14:15', 7_200_000],
		['2026-03-12 14:15 -0530', 'year-first', '2026-03-12T14:15', -19_800_000],
		['12.03.2026 14:15', 'day-first', '2026-03-12T14:15', null],
		['12/3/26 14:15', 'day-first', '2026-03-12T14:15', null],
		['03/12/2026 2:15 PM', 'month-first', '2026-03-12T14:15', null],
		['03/12/2026 12:15 a.m.', 'month-first', '2026-03-12T00:15', null],
		['2026-03-12', 'year-first', '2026-03-12T00:00', null]
	] as const)('%s is read', (text, form, expected, offset) => {
		expect(readStamp(text, form)).toEqual({ clock: clock(expected), offset });
	});

	it.each([
		['2026-02-29 10:00', 'year-first'],
		['2026-13-01 10:00', 'year-first'],
		['31.04.2026 10:00', 'day-first'],
		['12.03.2026 25:00', 'day-first'],
		['13:00 PM', 'year-first'],
		['03/12/2026 13:15 PM', 'month-first'],
		['yesterday', 'year-first'],
		['', 'unix-seconds']
	] as const)('%s is none', (text, form) => {
		expect(readStamp(text, form)).toBeNull();
	});

	it('as seconds or milliseconds since 1970 is an instant', () => {
		expect(readStamp('1773324900', 'unix-seconds')).toEqual({ clock: 1773324900_000, offset: 0 });
		expect(readStamp('1773324900000', 'unix-milliseconds')).toEqual({
			clock: 1773324900_000,
			offset: 0
		});
	});

	it('of any minute is read back as it was written', () => {
		fc.assert(
			fc.property(fc.integer({ min: 631_152_000, max: 4_000_000_000 }), (seconds) => {
				const instant = Math.floor(seconds / 60) * 60_000;
				const text = new Date(instant).toISOString().slice(0, 16).replace('T', ' ');
				const [year, month, day] = text.slice(0, 10).split('-');
				expect(readStamp(text, 'year-first')!.clock).toBe(instant);
				expect(readStamp(`${day}.${month}.${year} ${text.slice(11)}`, 'day-first')!.clock).toBe(
					instant
				);
			})
		);
	});
});

describe('the form of a list of times', () => {
	it('is found by a day above 12', () => {
		expect(guessForm(['12/03/2026 10:00', '13/03/2026 10:00'])).toEqual({
			form: 'day-first',
			sure: true
		});
		expect(guessForm(['03/12/2026 10:00', '03/13/2026 10:00'])).toEqual({
			form: 'month-first',
			sure: true
		});
	});
	it('is found by days that follow one another', () => {
		const days = ['03/01/2026', '03/02/2026', '03/03/2026'].map((day) => `${day} 12:00`);
		expect(guessForm(days)).toEqual({ form: 'month-first', sure: true });
	});
	it('stays uncertain within one day', () => {
		expect(guessForm(['03/04/2026 12:00', '03/04/2026 12:15'])).toMatchObject({ sure: false });
	});
	it('is none where the texts are no times', () => {
		expect(guessForm(['a', 'b'])).toBeNull();
		expect(guessForm([])).toBeNull();
	});
});
