import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrayRecord } from '../../../tests/support/scenario';
import { placeName, runsInWords, withinOf } from './within';

const record = arrayRecord();
const build = { string: record.strings[0]!, type: record.moduleTypes[0]! };
const { sections: substrings } = build.type.plate;
/** Weights of n places with all the chance on some of them. */
const on = (n: number, places: readonly number[]) =>
	Array.from({ length: n }, (_, i) => (places.includes(i) ? 1 / places.length : 0));

describe('runs of numbers in words', () => {
	it.each([
		[[], ''],
		[[4], '4'],
		[[4, 5, 6, 9], '4 to 6, 9'],
		[[1, 3, 5], '1, 3, 5'],
		[[1, 2], '1 to 2']
	] as const)('%j', (numbers, words) => {
		expect(runsInWords(numbers)).toBe(words);
	});

	it('name every number, and no other', () => {
		fc.assert(
			fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 40 })), (numbers) => {
				const sorted = [...numbers].sort((a, b) => a - b);
				const named = runsInWords(sorted)
					.split(', ')
					.filter(Boolean)
					.flatMap((run) => {
						const [from, to] = run.split(' to ').map(Number);
						return Array.from({ length: (to ?? from!) - from! + 1 }, (_, i) => from! + i);
					});
				expect(named).toEqual(sorted);
			})
		);
	});
});

describe('one place of a fault', () => {
	it.each([
		['module', 3, 'module 4'],
		['section', 3 * substrings + 1, 'module 4, substring 2'],
		['device', 0, 'device 1'],
		['joint', 0, 'the lead below module 1'],
		['joint', 5, 'the connector above module 5'],
		['pole', 0, 'positive pole'],
		['pole', 1, 'negative pole'],
		['string', 0, '']
	] as const)('%s %i is %s', (spread, at, words) => {
		expect(placeName(spread, at, build)).toBe(words);
	});
});

describe('what is left of the places of a fault', () => {
	it('is nothing to tell while every place is as likely as at first', () => {
		expect(withinOf('module', on(12, [...Array(12).keys()]), build)).toBeNull();
		expect(withinOf('string', [1], build)).toBeNull();
		expect(withinOf('pole', [1], build)).toBeNull();
	});

	it('is the one place that is left', () => {
		expect(withinOf('joint', on(13, [4]), build)).toEqual({
			spread: 'joint',
			at: [4],
			likeliest: 4,
			share: 1,
			words: 'the connector above module 4'
		});
	});

	it('is the places that together hold it', () => {
		expect(withinOf('module', on(12, [3, 4, 5]), build)).toMatchObject({
			at: [3, 4, 5],
			words: 'one of modules 4 to 6'
		});
		const inOne = [6 * substrings, 6 * substrings + 1];
		expect(withinOf('section', on(12 * substrings, inOne), build)!.words).toBe('module 7');
		expect(withinOf('pole', [0.6, 0.4], build)!.words).toBe('either pole');
	});

	it('never leaves out what is likelier than what it names', () => {
		const weights = fc
			.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 2, maxLength: 30 })
			.filter((list) => list.some((weight) => weight > 0));
		fc.assert(
			fc.property(weights, (list) => {
				const sum = list.reduce((a, b) => a + b, 0);
				const shares = list.map((weight) => weight / sum);
				const within = withinOf('module', shares, build);
				if (!within) return;
				const named = within.at.map((at) => shares[at]!);
				const left = shares.filter((_, at) => !within.at.includes(at));
				expect(Math.min(...named)).toBeGreaterThanOrEqual(Math.max(0, ...left));
				expect(within.share).toBe(Math.max(...shares));
				expect(shares[within.likeliest]).toBe(within.share);
			})
		);
	});
});
