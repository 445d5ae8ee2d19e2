import { describe, expect, it } from 'vitest';
import type { UnitEvent } from '$core/monitoring';
import { clockIn, daysOf } from '$lib/time/zone';
import { benchmarkDays, nextBenchmarkDay } from './benchmark-days';
import {
	arrayEventWords,
	clockWords,
	eventWords,
	flatGroups,
	flatWords,
	lasts
} from './event-words';
import { openExport } from './export-head';

const event = {
	unit: 'u',
	since: '2026-03-12',
	until: null,
	level: 0.5,
	lost: 10,
	lostBand: { low: 8, high: 12 }
} as const;

describe('what happened to a unit', () => {
	it.each<[UnitEvent, string]>([
		[{ ...event, kind: 'step' }, 'gives half of what its peers give since 12 March 2026'],
		[
			{ ...event, kind: 'step', level: 0.83 },
			'gives 83 % of what its peers give since 12 March 2026'
		],
		[
			{ ...event, kind: 'dead', until: '2026-03-20' },
			'gave nothing from 12 March 2026 to 20 March 2026'
		],
		[{ ...event, kind: 'silent' }, 'says nothing at all since 12 March 2026'],
		[
			{ ...event, kind: 'low', level: 2 / 3 },
			'gives two thirds of what its peers give from its first day on'
		],
		[{ ...event, kind: 'slope', level: 0.9 }, 'falls behind slowly, by 10 % since 12 March 2026'],
		[
			{ ...event, kind: 'dirt', level: 0.9, washed: '2026-04-01' },
			'fell by 10 % from 12 March 2026 and was back at once on 1 April 2026: soiling that came off'
		],
		[
			{
				...event,
				kind: 'shade',
				shade: {
					first: '2026-03-12',
					last: '2026-04-20',
					seasons: [{ first: '2026-03-12', last: '2026-04-20' }],
					begins: 9,
					ends: 10.5,
					share: 0.3,
					keepsUpWhenDull: true,
					sun: { azimuths: [115, 140], heights: [20, 31] }
				}
			},
			'stands in shade from about 9:00 to 10:30 under a bright sky, the sun at 115° to 140° from north and 20° to 31° high, seen from 12 March 2026 to 20 April 2026'
		]
	])('is said in one sentence: %#', (one, words) => {
		expect(eventWords(one)).toBe(words);
	});
	it('wants somebody to go there while it lasts', () => {
		expect(lasts({ ...event, kind: 'step' })).toBe(true);
		expect(lasts({ ...event, kind: 'step', until: '2026-04-01' })).toBe(false);
		expect(lasts({ ...event, kind: 'dirt', washed: '2026-04-01' })).toBe(false);
	});
});

it('what happened to all of them is said too', () => {
	const all = {
		since: '2026-05-01',
		until: '2026-06-01',
		washed: '2026-06-02',
		change: -0.08,
		loss: null
	};
	expect(arrayEventWords({ kind: 'dirt', ...all })).toContain('fell by 8 %');
	expect(arrayEventWords({ kind: 'sensor-drift', ...all, change: 0.05 })).toContain('5 % more');
	expect(arrayEventWords({ kind: 'fall', ...all })).toContain('look at the glass');
});

it('units cut at one level are one line', () => {
	const flat = (unit: string, level: number, day: string) => ({
		unit,
		kind: 'clipping' as const,
		level,
		days: [day],
		hours: 2,
		lost: { value: 1, low: 0.5, high: 2 },
		from: 'peers' as const
	});
	const [group, ...rest] = flatGroups([
		flat('a', 290, '2026-05-07'),
		flat('b', 290.4, '2026-04-22'),
		flat('c', 289.8, '2026-04-22')
	]);
	expect(rest).toEqual([]);
	expect(group).toMatchObject({ hours: 6, lost: { value: 3, low: 1.5, high: 6 } });
	expect(flatWords(group!, (key) => key)).toBe(
		'3 units stood flat at 290 W on 2 days (22 April, 7 May)'
	);
});

describe('benchmark days', () => {
	it('are equinoxes and solstices by the site’s calendar', () => {
		expect(benchmarkDays(2026, 'Etc/UTC', null).map(({ date }) => date)).toEqual([
			'2026-03-20',
			'2026-06-21',
			'2026-09-23',
			'2026-12-21'
		]);
		// Five minutes past midnight UTC is the day before further west.
		expect(benchmarkDays(2026, 'Etc/GMT+6', null)[2]!.date).toBe('2026-09-22');
	});
	it('are those that were set', () => {
		expect(
			benchmarkDays(2027, 'Etc/UTC', ['09-01', '02-29', '05-01']).map(({ date }) => date)
		).toEqual(['2027-05-01', '2027-09-01']);
	});
	it('come again next year', () => {
		const next = nextBenchmarkDay(Date.UTC(2026, 11, 22, 12), 'Etc/UTC', null)!;
		expect(next).toMatchObject({ date: '2027-03-20', inDays: 88 });
		expect(nextBenchmarkDay(Date.UTC(2026, 5, 21, 3), 'Etc/UTC', null)!.inDays).toBe(0);
	});
});

describe('a day at the site', () => {
	it('has 23, 24 or 25 hours', () => {
		const times = { start: Date.UTC(2026, 2, 27), step: 900_000, count: 5 * 96 };
		const lengths = daysOf(times, 'Europe/Berlin').map(({ date, from, to }) => [
			date,
			(to - from) / 4
		]);
		expect(lengths).toContainEqual(['2026-03-28', 24]);
		expect(lengths).toContainEqual(['2026-03-29', 23]);
		const autumn = { start: Date.UTC(2026, 9, 23), step: 900_000, count: 5 * 96 };
		expect(
			daysOf(autumn, 'Europe/Berlin').map(({ date, from, to }) => [date, (to - from) / 4])
		).toContainEqual(['2026-10-25', 25]);
	});
	it('has a clock that is ahead by its offset', () => {
		const clock = clockIn('Europe/Berlin');
		expect(clock(Date.UTC(2026, 6, 1)) - Date.UTC(2026, 6, 1)).toBe(7_200_000);
		expect(clock(Date.UTC(2026, 0, 1)) - Date.UTC(2026, 0, 1)).toBe(3_600_000);
	});
});

describe('a file that is opened', () => {
	const file = (...parts: BlobPart[]) => new File(parts, 'x.csv');
	it('is cut where its lines are', async () => {
		const head = await openExport(
			file('Time;A P (W)\n2026-03-13 10:00;1,5\n2026-03-13 10:15;2,5\n')
		);
		expect(head.ok && head.value.delimiter).toBe(';');
		expect(head.ok && head.value.guess.layout.mark).toBe(',');
	});
	it.each([
		['empty', file(), 'empty'],
		['binary', file(Uint8Array.of(80, 75, 3, 4, 0, 0, 8, 0)), 'not a text file'],
		['without times', file('a,b\n1,2\n'), 'No line begins with a time']
	])('and is %s is refused in words', async (_, one, words) => {
		const head = await openExport(one);
		expect(!head.ok && head.problem).toContain(words);
	});
});

describe('times that do not go with the sun', () => {
	it('are said with what has to be done', () => {
		expect(clockWords({ kind: 'shifted', add: 3_600_000 }).what).toContain('1 h early');
		expect(clockWords({ kind: 'shifted', add: -5_400_000 }).what).toContain('1 h 30 min late');
		expect(clockWords({ kind: 'fixed-offset', offset: -12_600_000 }).mend).toContain(
			'UTC\u22123:30'
		);
		expect(clockWords({ kind: 'irregular', add: [0, 7_200_000] }).what).toContain('+2 h');
	});
});
