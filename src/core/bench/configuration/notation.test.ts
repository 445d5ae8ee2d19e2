import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readConfiguration, writeConfiguration } from './notation';
import { modulesOf, tidy, type ArrayConfiguration } from './tree';

const MARKS = ['1', '2', '3', 'A7', 'x-4'];
const idOf = (mark: string) => (MARKS.includes(mark) ? `id-${mark}` : null);
const markOf = (id: string) => id.slice(3);
const read = (typed: string) => readConfiguration(typed, idOf);

describe('the notation of a mix', () => {
	it('binds series closer than parallel, and nests by brackets', () => {
		const mix = read('1+2 | (3|A7)+2@20');
		expect(mix.ok && mix.value).toMatchObject({
			kind: 'parallel',
			parts: [
				{ kind: 'series', parts: [{ of: 'id-1' }, { of: 'id-2' }] },
				{ kind: 'series', parts: [{ kind: 'parallel' }, { of: 'id-2', irradiance: 0.2 }] }
			]
		});
	});

	it('comes back as it was written', () => {
		const { tree } = fc.letrec<{
			tree: ArrayConfiguration;
			leaf: ArrayConfiguration;
			group: ArrayConfiguration;
		}>((tie) => ({
			leaf: fc.record({
				kind: fc.constant('module' as const),
				id: fc.constant(''),
				of: fc.constantFrom(...MARKS.map((mark) => `id-${mark}`)),
				irradiance: fc.constantFrom(1, 0.2, 0)
			}),
			group: fc.record({
				kind: fc.constantFrom('series' as const, 'parallel' as const),
				id: fc.constant(''),
				parts: fc.array(tie('tree'), { minLength: 1, maxLength: 3 })
			}),
			tree: fc.oneof({ maxDepth: 3 }, tie('leaf'), tie('group'))
		}));
		fc.assert(
			fc.property(tree, (mix) => {
				const text = writeConfiguration(tidy(mix), markOf);
				const back = read(text);
				expect(back.ok && writeConfiguration(back.value, markOf)).toBe(text);
				expect(back.ok && modulesOf(back.value).length).toBe(modulesOf(mix).length);
			})
		);
	});

	it.each([
		['', /Type an arrangement/],
		['1+', /missing at the end/],
		['1 || 2', /missing before “\|”/],
		['(1+2', /not closed/],
		['1+2)', /left over/],
		['9', /no module 9/],
		['1@130', /percent from 0 to 100/],
		[Array.from({ length: 61 }, () => '1').join('+'), /60 modules at most/]
	])('says what is wrong with “%s”', (typed, words) => {
		const mix = read(typed);
		expect(!mix.ok && mix.problem).toMatch(words);
	});
});
