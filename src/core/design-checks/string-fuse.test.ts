import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { needWords, openingWords, ratingProblem, stringFuseRule } from './string-fuse';

const IEC = { profile: 'IEC', alwaysFuse: false } as const;
const US = { profile: 'US', alwaysFuse: false } as const;
const rule = (
	count: number,
	isc: number,
	moduleFuse: number | null,
	by: typeof IEC | typeof US = IEC
) => stringFuseRule({ count, isc, moduleFuse }, by);

/* Figures: IEC 62548-1 (fuse 1.5 to 2.4 Isc) and NEC 690.9 (1.56 Isc), both from memory. */

describe('whether parallel strings need fuses', () => {
	it('turns on what the others can feed into one of them', () => {
		expect(rule(2, 10, 15).needed).toBe(false);
		expect(rule(3, 10, 15)).toMatchObject({ others: 20, needed: true });
		expect(rule(3, 7.4, 15).needed).toBe(false);
	});

	it('counts a quarter more of each by the US profile', () => {
		expect(rule(2, 13, 15, US)).toMatchObject({ others: 16.25, needed: true });
		expect(rule(2, 13, 15).needed).toBe(false);
	});

	it('is never the case of a single string, and not known without the module’s label', () => {
		expect(rule(1, 30, 15).needed).toBe(false);
		expect(rule(3, 10, null).needed).toBeNull();
		expect(rule(1, 10, null).needed).toBe(false);
	});

	it('is asked for by a house rule of every parallel string, of no single one', () => {
		const house = { profile: 'IEC', alwaysFuse: true } as const;
		expect(stringFuseRule({ count: 2, isc: 5, moduleFuse: 20 }, house).asked).toBe(true);
		expect(stringFuseRule({ count: 1, isc: 5, moduleFuse: 20 }, house).asked).toBe(false);
	});

	it('never turns from needed to not needed with one string more', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 1, max: 20 }),
				fc.double({ min: 1, max: 20, noNaN: true }),
				fc.double({ min: 5, max: 40, noNaN: true }),
				fc.constantFrom(IEC, US),
				(count, isc, moduleFuse, by) => {
					if (rule(count, isc, moduleFuse, by).needed) {
						expect(rule(count + 1, isc, moduleFuse, by).needed).toBe(true);
					}
				}
			)
		);
	});
});

describe('the rating of a string fuse', () => {
	it('lies between 1.5 and 2.4 Isc, and not above the module’s own', () => {
		expect(rule(4, 10, 30)).toMatchObject({ low: 15, high: 24, standard: [15, 16, 20] });
		expect(rule(4, 10, 16)).toMatchObject({ low: 15, high: 16, standard: [15, 16] });
	});

	it('is the next standard size of 1.56 Isc by the US profile, up to the module’s own', () => {
		const { low, high, standard } = rule(4, 9.4, 20, US);
		expect(low).toBeCloseTo(14.6875, 9);
		expect(high).toBe(20);
		expect(standard).toEqual([15, 20]);
	});

	it('is none where the module’s own limit is below the rule’s', () => {
		expect(rule(4, 12, 15).standard).toEqual([]);
	});

	it('is named too large or too small, with what it does', () => {
		const of = rule(4, 10, 20);
		expect(ratingProblem(of, 15)).toBeNull();
		expect(ratingProblem(of, 20)).toBeNull();
		expect(ratingProblem(of, 25)).toMatch(/too large: at most 20\.0 A/);
		expect(ratingProblem(of, 10)).toMatch(/too small: below 15\.0 A it ages/);
	});

	it('of every standard size that fits has no problem', () => {
		fc.assert(
			fc.property(
				fc.double({ min: 2, max: 20, noNaN: true }),
				fc.double({ min: 10, max: 50, noNaN: true }),
				fc.constantFrom(IEC, US),
				(isc, moduleFuse, by) => {
					const of = rule(3, isc, moduleFuse, by);
					for (const size of of.standard) expect(ratingProblem(of, size)).toBeNull();
				}
			)
		);
	});
});

describe('a short in one string', () => {
	it('opens its fuse where the others bring enough, and is said to leave it open else', () => {
		const many = openingWords(rule(6, 10, 20), 15);
		const few = openingWords(rule(2, 10, 20), 15);
		expect(many).toContain('opens');
		expect(few).not.toBe(many);
	});
});

describe('fuse or none in words', () => {
	const words = (count: number, isc: number, moduleFuse: number | null, alwaysFuse = false) => {
		const strings = { count, isc, moduleFuse };
		return needWords(stringFuseRule(strings, { profile: 'IEC', alwaysFuse }), strings);
	};

	it('gives both figures that it turns on', () => {
		for (const figure of ['30.0 A', '20.0 A']) expect(words(4, 10, 20)).toContain(figure);
		for (const figure of ['10.0 A', '20.0 A']) expect(words(2, 10, 20)).toContain(figure);
		expect(words(4, 10, 20)).not.toMatch(/^Not required/);
		expect(words(2, 10, 20)).toMatch(/^Not required/);
	});

	it('says why none is needed of one string, and what is missing', () => {
		expect(words(1, 10, null)).toMatch(/^Not required/);
		expect(words(3, 10, null)).toContain('maximum series fuse is missing');
	});

	it('adds the house rule where that alone asks', () => {
		expect(words(2, 10, 20, true)).toContain('house rule');
		expect(words(4, 10, 20, true)).not.toContain('house rule');
	});
});
