import { describe, expect, it } from 'vitest';
import { needWords, openingWords, ratingProblem, stringFuseRule } from '../design-checks';
import { fillUp, freeSwaps, readGrouping } from './grouping/explain';
import { FREE_TARGET, groupingGives } from './grouping/grouping';
import { NO_LABEL } from './module-batch';
import { nameplateOf } from './nameplate-of';
import { WARM_SUN, type TestedModule } from './tested';
import { squareOverMean } from './power-distribution';
import { answerWire } from './wire';
import { answerWorth, clippingPaysIn } from './worth';

describe('wire', () => {
	const ask = {
		length: 25,
		size: 4,
		conductor: 'copper' as const,
		temperature: 20,
		amps: 10,
		volts: 60,
		year: { latitude: 52, plane: { tilt: 30, azimuth: 90 }, sunHours: 1000 },
		price: 0.3
	};

	it('drops by twice its length: 50 m of 4 mm2 are 0.215 ohm at 20 degC', () => {
		const { resistance, drop, share, power, usual } = answerWire(ask);
		expect(resistance).toBeCloseTo((0.0172 * 50) / 4, 9);
		expect(drop).toBeCloseTo(2.15, 2);
		expect(share).toBeCloseTo(2.15 / 60, 4);
		expect(power).toBeCloseTo(21.5, 1);
		expect(usual).toBe(false);
		expect(answerWire({ ...ask, size: 10 }).usual).toBe(true);
	});

	it('loses less a year than as many hours at full power, and half with twice the copper', () => {
		const { kWhAYear, costAYear, sizes } = answerWire(ask);
		expect(kWhAYear).toBeCloseTo(21.5 * squareOverMean(ask.year), 6);
		expect(kWhAYear).toBeLessThan(0.6 * 21.5);
		// A sunnier place with the same wire has more of its hours near full sun.
		const sunny = { latitude: 33, plane: { tilt: 30, azimuth: 180 }, sunHours: 2000 };
		expect(squareOverMean(sunny)).toBeGreaterThan(squareOverMean(ask.year));
		expect(squareOverMean({ ...sunny, sunHours: 9000 })).toBeLessThan(1);
		expect(costAYear).toBeCloseTo(0.3 * kWhAYear, 9);
		expect(sizes.find(({ size }) => size === 4)!.kWh).toBeCloseTo(kWhAYear, 9);
		expect(answerWire({ ...ask, size: 8 }).kWhAYear).toBeCloseTo(kWhAYear / 2, 9);
		expect(answerWire({ ...ask, price: null }).costAYear).toBeNull();
	});
});

describe('fuse or none', () => {
	const IEC = { profile: 'IEC', alwaysFuse: false } as const;
	const three = { count: 3, isc: 9, moduleFuse: 15 };

	it('is asked for where the others exceed what the module bears, or by the house rule', () => {
		expect(stringFuseRule(three, IEC)).toMatchObject({ needed: true, asked: true, others: 18 });
		const two = stringFuseRule({ ...three, count: 2 }, IEC);
		expect(two).toMatchObject({ needed: false, asked: false, others: 9 });
		expect(stringFuseRule({ ...three, count: 2 }, { ...IEC, alwaysFuse: true }).asked).toBe(true);
		expect(stringFuseRule({ ...three, moduleFuse: null }, IEC).needed).toBeNull();
		expect(stringFuseRule({ ...three, count: 1, moduleFuse: null }, IEC).needed).toBe(false);
	});

	it('says why, and what speaks against the fuse that is there', () => {
		const rule = stringFuseRule(three, IEC);
		expect(needWords(rule, three)).toContain('18.0 A');
		expect(
			needWords(stringFuseRule({ ...three, moduleFuse: null }, IEC), { ...three, moduleFuse: null })
		).toContain('missing');
		expect(ratingProblem(rule, 20)).toContain('too large: at most 15.0 A');
		expect(ratingProblem(rule, 10)).toContain('too small');
		expect(ratingProblem(rule, 15)).toBeNull();
	});

	it('names standard sizes: 1.5 to 2.4 Isc by IEC, 1.56 Isc on by the US', () => {
		expect(stringFuseRule(three, IEC).standard).toEqual([15]);
		const us = stringFuseRule({ ...three, isc: 8, moduleFuse: 20 }, { ...IEC, profile: 'US' });
		expect(us).toMatchObject({ others: 20, standard: [15, 20] });
		expect(openingWords(us, 12)).toContain('it opens on a short');
		expect(openingWords(us, 16)).toContain('may never open');
	});
});

describe('worth', () => {
	const ask = {
		price: 40,
		newPrice: 120,
		label: 250,
		newLabel: 400,
		share: 0.8,
		pallet: { price: 200, modules: 20 },
		ageing: 0.005,
		newAgeing: 0.005,
		least: 0.6,
		discount: 0
	};

	it('counts the watt as tested with its share of the pallet, against a new one', () => {
		const answer = answerWorth(ask);
		expect(answer.landed).toBe(50);
		expect(answer.perLabelWatt).toBeCloseTo(0.2, 9);
		expect(answer.perTestedWatt).toBeCloseTo(0.25, 9);
		expect(answer.newPerWatt).toBeCloseTo(0.3, 9);
		// 25 years, from 200 W and from 400 W, each losing half a percent of its nameplate a year.
		expect(answer.perWattYear).toBeCloseTo(50 / (25 * 250 * (0.8 - 0.0625)), 9);
		expect(answer.newPerWattYear).toBeCloseTo(120 / (25 * 400 * (1 - 0.0625)), 9);
		// At that price a watt of it for a year is as dear as a new one.
		const fair = answerWorth({ ...ask, price: answer.fairPrice });
		expect(fair.perWattYear).toBeCloseTo(fair.newPerWattYear, 9);
		expect(answer.yearsLeft).toBeCloseTo(40, 9);
		expect(answerWorth({ ...ask, pallet: null }).landed).toBe(40);
	});

	it('says where it is dearer, used up, or cheap today alone', () => {
		expect(answerWorth({ ...ask, price: 60 }).verdict).toBe('dearer');
		expect(answerWorth({ ...ask, share: 0.5 })).toMatchObject({
			yearsLeft: 0,
			perWattYear: null,
			verdict: 'used-up',
			fairPrice: 0
		});
		expect(answerWorth(ask)).toMatchObject({ verdict: 'cheaper', cheapTodayOnly: false });
		expect(answerWorth({ ...ask, ageing: 0.02 })).toMatchObject({
			verdict: 'dearer',
			cheapTodayOnly: true
		});
	});

	it('goes by one figure: cheaper exactly where the price is below the fair one', () => {
		for (const discount of [0, 0.05, 0.1]) {
			for (const price of [1, 20, 35, 40, 45, 80]) {
				const { verdict, fairPrice } = answerWorth({ ...ask, price, discount });
				expect(verdict === 'cheaper').toBe(price <= fairPrice);
			}
		}
	});

	it('discounts later years, and ages each module by its own rate', () => {
		const few = { ...ask, ageing: 0.02 };
		// Few years are worth more against many the more later ones are discounted.
		expect(answerWorth({ ...few, discount: 0.08 }).fairPrice).toBeGreaterThan(
			answerWorth(few).fairPrice
		);
		expect(answerWorth(few).newPerWattYear).toBe(answerWorth(ask).newPerWattYear);
		expect(answerWorth({ ...ask, newAgeing: 0.01 }).newPerWattYear).toBeGreaterThan(
			answerWorth(ask).newPerWattYear
		);
	});

	it('pays a dearer inverter by what is clipped, or never', () => {
		expect(clippingPaysIn({ kWhAYear: 50, price: 0.2, dearerBy: 100 })).toBeCloseTo(10, 9);
		expect(clippingPaysIn({ kWhAYear: 0, price: 0.2, dearerBy: 100 })).toBeNull();
	});
});

describe('a grouping explained', () => {
	const module = (id: string, imp: number): TestedModule => ({
		id,
		mark: id,
		model: '',
		plate: nameplateOf({ ...NO_LABEL, vmp: 30, imp, cellsInSeries: 60 })!.nameplate,
		labelWatts: 30 * imp,
		seriesFuse: 15
	});
	const modules = [
		module('a', 8),
		module('b', 8.001),
		module('c', 6),
		module('d', 6.001),
		module('e', 4)
	];
	const ask = {
		modules,
		wanted: { kind: 'free' as const },
		target: FREE_TARGET,
		sky: WARM_SUN
	};
	const grouping = {
		strings: [
			['a', 'b'],
			['c', 'd']
		],
		out: ['e']
	};

	it('tells what changes places for nothing, and what does not', () => {
		const { power } = groupingGives(grouping, ask);
		const crossed = {
			strings: [
				['a', 'c'],
				['b', 'd']
			],
			out: ['e']
		};
		const free = freeSwaps(crossed, ask, groupingGives(crossed, ask).power);
		const pairs = free.map(({ a, b }) => [a.id, b.id].sort().join(''));
		expect(pairs).toContain('ab');
		expect(pairs).toContain('cd');
		expect(freeSwaps(grouping, ask, power).map(({ a, b }) => a.id + b.id)).toEqual([]);
	});

	it('says what to buy to fill up', () => {
		expect(fillUp(grouping, ask)).toMatch(/make a string more with 1 module of about 30 V/);
		expect(fillUp({ strings: grouping.strings, out: [] }, ask)).toBeNull();
		expect(fillUp({ strings: [['a', 'b']], out: ['c', 'd'] }, ask)).toMatch(/1 more string/);
	});

	it('is read as one writes it, or says what is wrong', () => {
		const read = (typed: string) => readGrouping(typed, modules);
		expect(read('a b | c d')).toMatchObject({ value: grouping });
		expect(read('A,B\nc d')).toMatchObject({ value: grouping });
		const problem = (typed: string) => {
			const answer = read(typed);
			return answer.ok ? '' : answer.problem;
		};
		expect(problem('a b | x')).toContain('no module x');
		expect(problem('a b | a')).toContain('stands twice');
		expect(problem('  | ')).toContain('Type the marks');
	});
});
