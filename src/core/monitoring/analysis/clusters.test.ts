import { describe, expect, it } from 'vitest';
import { irradiance, plainDays, plainTimes, plainUnit } from '../../../../tests/support/plain-days';
import { clustersOf } from './clusters';

const DAYS = 60;
const year = { times: plainTimes(DAYS), days: plainDays(DAYS) };
/** More in the morning, or in the evening. */
const leaning = (by: number) => (t: number) =>
	irradiance(t) * Math.max(0, 1 + (by * ((t % 96) - 48)) / 24);
const keysOf = (units: readonly { readonly key: string }[]) => units.map(({ key }) => key);
const units = (name: string, count: number, share: (t: number) => number) =>
	Array.from({ length: count }, (_, i) => plainUnit(`${name}${i}`, DAYS, share));

describe('units whose plane nobody recorded', () => {
	it('are told apart by the hours at which they generate', () => {
		const found = clustersOf(year, [
			...units('east', 4, leaning(-0.8)),
			...units('west', 3, leaning(0.8))
		]);
		expect(found.alone).toEqual([]);
		expect(found.groups.map(keysOf).sort()).toEqual([
			['east0', 'east1', 'east2', 'east3'],
			['west0', 'west1', 'west2']
		]);
	});

	it('stay together where one is weaker, or weaker from some day on', () => {
		const weak = plainUnit('weak', DAYS, (t) => 0.7 * irradiance(t));
		const later = plainUnit('later', DAYS, (t) => (t < 30 * 96 ? 1 : 0.8) * irradiance(t));
		const { groups, alone } = clustersOf(year, [...units('a', 3, irradiance), weak, later]);
		expect(groups.map(keysOf)).toEqual([['a0', 'a1', 'a2', 'weak', 'later']]);
		expect(alone).toEqual([]);
	});

	it('stay together where a shade takes some hours of one', () => {
		const shaded = plainUnit('shaded', DAYS, (t) =>
			t % 96 > 58 && t % 96 < 66 ? 0.4 * irradiance(t) : irradiance(t)
		);
		const { groups } = clustersOf(year, [...units('a', 4, irradiance), shaded]);
		expect(groups.map(keysOf)).toEqual([['a0', 'a1', 'a2', 'a3', 'shaded']]);
	});

	it('one that leans another way than all the rest is compared with nobody', () => {
		const other = plainUnit('other', DAYS, leaning(-0.9));
		const { groups, alone } = clustersOf(year, [...units('a', 4, irradiance), other]);
		expect(keysOf(alone)).toEqual(['other']);
		expect(groups.map(keysOf)).toEqual([['a0', 'a1', 'a2', 'a3']]);
	});
});
