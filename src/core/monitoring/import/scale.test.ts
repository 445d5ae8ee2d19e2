import { expect, it } from 'vitest';
import { parseScale } from './scale';

it.each([
	['11', 11],
	['1,5', 1.5],
	['100/75', 100 / 75],
	['50 / 60', 50 / 60],
	['-1', -1]
])('%s is a factor', (typed, scale) => {
	expect(parseScale(typed)).toEqual({ ok: true, value: scale });
});

it.each(['', '0', '5/0', 'a', '1/2/3', '1/'])('%s is none', (typed) => {
	expect(parseScale(typed).ok).toBe(false);
});
