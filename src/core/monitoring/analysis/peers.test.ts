import { describe, expect, it } from 'vitest';
import {
	irradiance,
	plainDays,
	plainTimes,
	plainUnit,
	PER_DAY
} from '../../../../tests/support/plain-days';
import { daySharesOf } from './day-share';
import { countedOnce, energyOf, litTimes } from './energy';
import { peersOf } from './peers';

const NOON = 48;
const year = (days: number) => ({ times: plainTimes(days), days: plainDays(days) });

describe('units that are alike', () => {
	it('are at least three of one kind, the largest kind first', () => {
		const units = [
			...['a', 'b', 'c'].map((key) => plainUnit(key, 1)),
			...['d', 'e', 'f', 'g'].map((key) => plainUnit(key, 1, irradiance, { like: 'east' })),
			plainUnit('h', 1, irradiance, { like: 'west' }),
			plainUnit('i', 1, irradiance, { like: null }),
			plainUnit('j', 1, irradiance, { labelWatts: 0 })
		];
		const groups = peersOf(year(1), units).groups.map(({ units: some }) =>
			some.map(({ key }) => key)
		);
		expect(groups).toEqual([
			['d', 'e', 'f', 'g'],
			['a', 'b', 'c']
		]);
	});

	it('have a middle that one of them does not move, however bad it is', () => {
		const sound = ['a', 'b', 'c', 'd'].map((key) => plainUnit(key, 1));
		const dead = plainUnit('e', 1, () => 0);
		const [group] = peersOf(year(1), [...sound, dead]).groups;
		expect(group!.share[NOON]).toBeCloseTo(1, 9);
	});

	it('of an even number have the mean of the two in the middle', () => {
		const units = [0.2, 0.6, 0.8, 1].map((of, i) =>
			plainUnit(`u${i}`, 1, (t) => of * irradiance(t))
		);
		const [group] = peersOf(year(1), units).groups;
		expect(group!.share[NOON]).toBeCloseTo(0.7, 9);
	});

	it('have no middle while fewer than half of them say anything', () => {
		const silent = ['a', 'b', 'c', 'd'].map((key) => plainUnit(key, 1, () => Number.NaN));
		const { groups } = peersOf(year(1), [
			...silent,
			...['e', 'f', 'g'].map((key) => plainUnit(key, 1))
		]);
		const [group] = groups;
		expect(group!.share[NOON]).toBeNaN();
	});

	it('are not compared where one of them stands at its rating', () => {
		const rated = { ratedWatts: 290 };
		const units = ['a', 'b', 'c'].map((key) => plainUnit(key, 1, irradiance, rated));
		const [group] = peersOf(year(1), units).groups;
		expect(group!.atRating[NOON]).toBe(1);
		expect(group!.atRating[30]).toBe(0);
	});
});

describe('a unit against its peers, day by day', () => {
	const days = 3;
	const sound = ['a', 'b', 'c'].map((key) => plainUnit(key, days));
	const sharesOf = (share: (t: number) => number, leftOut: Uint8Array | null = null) => {
		const unit = plainUnit('x', days, share);
		const [group] = peersOf(year(days), [...sound, unit]).groups;
		return daySharesOf(year(days), unit, group!, leftOut);
	};

	it('is its share of the middle', () => {
		const { shares, silent } = sharesOf((t) => 0.8 * irradiance(t));
		for (const share of shares) expect(share).toBeCloseTo(0.8, 2);
		expect([...silent]).toEqual([0, 0, 0]);
	});

	it('is of that day alone: a fall on the second leaves the first', () => {
		const { shares } = sharesOf((t) => (t < PER_DAY ? 1 : 0.5) * irradiance(t));
		expect(shares[0]).toBeCloseTo(1, 2);
		expect(shares[1]).toBeCloseTo(0.5, 2);
	});

	it('leaves out the samples that it is told to, as those in a shade', () => {
		const shade = (t: number) => (t % PER_DAY > 60 ? 0.2 : 1) * irradiance(t);
		const shaded = Uint8Array.from({ length: days * PER_DAY }, (_, t) => Number(t % PER_DAY > 60));
		expect(sharesOf(shade).shares[0]).toBeLessThan(0.95);
		expect(sharesOf(shade, shaded).shares[0]).toBeCloseTo(1, 6);
	});

	it('tells a stop in the middle of a day by what was due, and no slip of one sample', () => {
		const stops = (from: number) => (t: number) =>
			t >= PER_DAY + from && t < 2 * PER_DAY ? 0 : irradiance(t);
		const { out, shares } = sharesOf(stops(NOON));
		expect(out[0]).toBe(0);
		expect(out[1]).toBeCloseTo(0.5, 1);
		expect(out[2]).toBe(0);
		expect(shares[1]).toBeCloseTo(0.5, 1);
		const slip = sharesOf((t) => (t === PER_DAY + NOON ? 0 : irradiance(t)));
		expect(slip.out[1]).toBe(0);
		const shaded = sharesOf((t) => 0.1 * irradiance(t));
		expect([...shaded.out]).toEqual([0, 0, 0]);
	});

	it('that says nothing all day is silent, not dead, and its peers give on', () => {
		const { shares, silent, due } = sharesOf((t) => (t < PER_DAY ? Number.NaN : irradiance(t)));
		expect(shares[0]).toBeNaN();
		expect([...silent]).toEqual([1, 0, 0]);
		expect(due[0]).toBeCloseTo(due[1]!, 6);
	});

	it('has no share on a day without light', () => {
		const dark = ['a', 'b', 'c', 'd'].map((key) => plainUnit(key, 1, (t) => 0.02 * irradiance(t)));
		const [group] = peersOf(year(1), dark).groups;
		const { shares, silent } = daySharesOf(year(1), dark[0]!, group!, null);
		expect(shares[0]).toBeNaN();
		expect(silent[0]).toBe(0);
	});

	it('has none where shade and rating left too little of the day', () => {
		const all = new Uint8Array(days * PER_DAY).fill(1);
		expect(sharesOf(irradiance, all).shares[0]).toBeNaN();
	});
});

describe('what an array generated', () => {
	const made = (...units: readonly (readonly [string, number])[]) => {
		const energy = units.map(([unit, kWh]) => ({ unit, energy: kWh }));
		return [...countedOnce(energy)].sort();
	};

	it('counts no total beside its parts, matched or not', () => {
		expect(made(['array', 20], ['module:a:1', 9], ['module:a:2', 11])).toEqual([
			'module:a:1',
			'module:a:2'
		]);
		expect(made(['inverter:i', 20], ['string:a', 12], ['string:b', 8.5])).toEqual([
			'string:a',
			'string:b'
		]);
		expect(made(['name:Total', 20], ['name:East', 9], ['name:West', 11])).toEqual([
			'name:East',
			'name:West'
		]);
	});

	it('counts the total where its parts are not all there', () => {
		expect(made(['array', 20], ['module:a:1', 9])).toEqual(['array']);
	});

	it('counts two units that make the same', () => {
		expect(made(['name:A', 10], ['name:B', 10])).toEqual(['name:A', 'name:B']);
	});
});

describe('the energy of a unit', () => {
	const days = 2;
	const asked = (units = [plainUnit('a', days)]) =>
		energyOf({ ...year(days), units }, litTimes(units, days * PER_DAY));

	it('is what its power makes over the day, in all and for each kW of label', () => {
		const [energy] = asked();
		// Half a sine of twelve hours: 12 x 2/pi hours at the best.
		const hours = (12 * 2) / Math.PI;
		expect(energy!.byDay[0]).toBeCloseTo(0.3 * hours, 2);
		expect(energy!.energy).toBeCloseTo(2 * 0.3 * hours, 2);
		expect(energy!.specific).toBeCloseTo(2 * hours, 1);
		expect(energy!.bestShare).toBe(1);
		expect(energy!.complete).toBe(1);
	});

	it('of nothing that is on record has no figure for each kW', () => {
		const [energy] = asked([plainUnit('a', days, irradiance, { labelWatts: 0 })]);
		expect(energy!.specific).toBeNull();
		expect(energy!.bestShare).toBeNull();
	});

	it('is none on a day of which nothing was said, and half is said to be missing', () => {
		const gappy = plainUnit('b', days, (t) => (t < PER_DAY ? Number.NaN : irradiance(t)));
		const [, energy] = asked([plainUnit('a', days), gappy]);
		expect(energy!.byDay[0]).toBeNaN();
		expect(energy!.byDay[1]).toBeGreaterThan(2);
		expect(energy!.complete).toBeCloseTo(0.5, 9);
	});

	it('is asked for only while something gives', () => {
		const lit = litTimes([plainUnit('a', 1)], PER_DAY);
		expect(lit[10]).toBe(0);
		expect(lit[NOON]).toBe(1);
		expect(litTimes([plainUnit('a', 1, () => 0)], PER_DAY).every((t) => t === 0)).toBe(true);
	});
});
