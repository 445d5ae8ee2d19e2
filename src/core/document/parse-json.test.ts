import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseJson } from './parse-json';

describe('JSON of somebody else', () => {
	it('is what JSON.parse makes of it', () => {
		fc.assert(
			fc.property(fc.jsonValue({ maxDepth: 8 }), (value) => {
				const text = JSON.stringify(value, null, '\t');
				expect(parseJson(text)).toEqual({ ok: true, value: JSON.parse(text) });
			})
		);
	});
	it('that is none says why', () => {
		for (const text of ['', '{', '[1,]', 'volts', '"\\']) {
			expect(parseJson(text)).toMatchObject({ ok: false, problem: expect.any(String) });
		}
	});
	it('is refused before it is built where it is too deep or too large', () => {
		const deep = (depth: number) => '['.repeat(depth) + ']'.repeat(depth);
		expect(parseJson(deep(60)).ok).toBe(true);
		expect(parseJson(deep(61)).ok).toBe(false);
		expect(parseJson(deep(5_000_000)).ok).toBe(false);
		expect(parseJson(`[${'0,'.repeat(4_000_001)}0]`).ok).toBe(false);
	});
	it('may hold brackets and commas in its texts', () => {
		const text = JSON.stringify(['[{,:'.repeat(2_000_000), '\\', '"', '\\"[']);
		expect(parseJson(text).ok).toBe(true);
	});
});
