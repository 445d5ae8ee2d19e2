import { describe, expect, it } from 'vitest';
import { parseCsv, writeCsv } from './csv';

const rows = (text: string) => {
	const read = parseCsv(text);
	if (!read.ok) throw new Error(read.problem);
	return [read.value.header, ...read.value.rows];
};

describe('a CSV text', () => {
	it.each([
		['commas', 'a,b\n1,2\n'],
		['semicolons and commas as decimals', 'a;b\n1,5;2\n'],
		['tabs and Windows line ends', 'a\tb\r\n1\t2\r\n'],
		['a mark of byte order', '\uFEFFa,b\n1,2']
	])('is read with %s', (_, text) => {
		expect(rows(text)).toHaveLength(2);
		expect(rows(text)[0]).toEqual(['a', 'b']);
		expect(rows(text)[1]).toHaveLength(2);
	});

	it('keeps the numbers of lines over empty ones', () => {
		expect(rows('a;b\n\n1;2\n\n3;4\n\n')).toEqual([['a', 'b'], [''], ['1', '2'], [''], ['3', '4']]);
	});

	it('is refused when it is none', () => {
		expect(parseCsv('')).toMatchObject({ ok: false });
		expect(parseCsv('a\u0000b')).toMatchObject({
			problem: expect.stringContaining('not a text file')
		});
		expect(parseCsv('a,b\n"1,2\n3,4')).toMatchObject({
			problem: expect.stringContaining('not closed')
		});
		expect(parseCsv(`a\n${'1\n'.repeat(50_001)}`)).toMatchObject({
			problem: expect.stringContaining('50001 lines')
		});
	});

	it.each(['=1+2', '@SUM(A1)', '+HYPERLINK("x")', '-cmd|x', '\tx', "'=1", '\r=1'])(
		'is a text to a spreadsheet, not a formula, and comes back: %j',
		(text) => {
			const written = writeCsv([['name'], [text]]);
			expect(written.split('\r\n')[1]).toMatch(/^"?'/);
			expect(rows(written)[1]).toEqual([text]);
		}
	);

	it.each(['-5', '+5.2', '-0,31', '-1e-7', '-', "'-5", "O'Hara"])(
		'is left as it is: %s',
		(text) => {
			expect(writeCsv([['name'], [text]])).toBe(
				`name\r\n${text.includes(',') ? `"${text}"` : text}\r\n`
			);
			expect(rows(writeCsv([['name'], [text]]))[1]).toEqual([text]);
		}
	);

	it('comes back as it was written', () => {
		const table = [
			['a', 'b'],
			['quoted "x"', 'with, comma'],
			['line\nend', '']
		];
		expect(rows(writeCsv(table))).toEqual(table);
	});
});
