import { sql } from 'kysely';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testRecord } from '../../../../tests/support/monitored-record';
import { type ImportStart, NO_SETTINGS } from '$core/document';
import { guessLayout } from '$core/monitoring';
import { openDatabase, type Db } from '../database/open';
import { listImports, unfinishedImports } from '../repositories/monitoring-imports';
import { readDays, readSamples, seriesOf } from '../repositories/monitoring-samples';
import {
	addBenchmarkEntry,
	benchmarkEntries,
	removeBenchmarkEntry,
	saveMonitoringSettings,
	monitoringSettings
} from '../repositories/monitoring-settings';
import { listUnits, setTargets } from '../repositories/monitoring-units';
import { courseOf } from './course';
import { startImport, stopImport, takePiece, tidyImports } from './imports';
import { PieceReader } from './piece-reader';
import { monitoredYear } from './year';
import { yearFromBytes, yearToBytes } from '$lib/monitoring/year-bytes';

const SITE = { id: '019c0000-0005-7000-8000-000000000001', timeZone: 'Etc/UTC' };
const idOf = (n: number) => `019c0000-0006-7000-8000-00000000000${n}`;
const NOON = Date.UTC(2026, 5, 1, 12);

let db: Db;
beforeEach(async () => {
	db = await openDatabase(':memory:');
	await db
		.insertInto('site')
		.values({ id: SITE.id, name: 'x', place: '', time_zone: SITE.timeZone, created_at: '' })
		.execute();
	await db
		.insertInto('site_revision')
		.values({
			id: idOf(9),
			site_id: SITE.id,
			number: 1,
			created_at: '',
			record: JSON.stringify(testRecord())
		})
		.execute();
});
afterEach(() => db.destroy());

/** Lines of two strings every quarter of an hour; the last argument scales the second. */
function lines(count: number, begin = NOON, scale = 1): string {
	const rows = Array.from({ length: count }, (_, i) => {
		const time = new Date(begin + i * 900_000).toISOString().slice(0, 16);
		return `${time},${100 + (i % 50)},${scale * (200 + (i % 50))}`;
	});
	return `Time,K1 P (W),K2 P (W)\n${rows.join('\n')}\n`;
}

function startOf(id: string, text: string): ImportStart {
	const guess = guessLayout(
		text
			.split('\n')
			.slice(0, 200)
			.map((line) => line.split(',')),
		','
	);
	if (!guess.ok) throw new Error(guess.problem);
	const { layout, headings } = guess.value;
	return { id, file: 'x.csv', delimiter: ',', layout, headings: [...headings] };
}

/** Takes a text in, in pieces of so many bytes. */
async function takeIn(n: number, text: string, size = 700, start = startOf(idOf(n), text)) {
	await startImport(db, SITE, start, `2026-06-0${n}T00:00:00Z`);
	const bytes = new TextEncoder().encode(text);
	let taken = await takePiece(db, start.id, 0, bytes.slice(0, size), size >= bytes.length);
	for (let from = size; taken.ok && from < bytes.length; from += size) {
		taken = await takePiece(
			db,
			start.id,
			from,
			bytes.slice(from, from + size),
			from + size >= bytes.length
		);
	}
	return taken;
}
const blocks = async () =>
	Number(
		(await db
			.selectFrom('watch_block')
			.select((eb) => eb.fn.countAll().as('n'))
			.executeTakeFirst())!.n
	);
async function valuesOf(unit: string): Promise<number[]> {
	const { id } = (await listUnits(db, SITE.id)).find(({ name }) => name === unit)!;
	const series = (await seriesOf(db, SITE.id)).find((one) => one.unit === id)!;
	return [...(await readSamples(db, series.id, 0, Date.UTC(2027, 0, 1))).value];
}

describe('an export that is taken in', () => {
	it('piece by piece is all there, matched to the record, and read back in order', async () => {
		expect(await takeIn(1, lines(300))).toEqual({
			ok: true,
			value: { received: expect.any(Number), samples: 600, done: true }
		});
		const [line] = await listImports(db, SITE.id);
		expect(line).toMatchObject({
			samples: 600,
			report: { refused: 0, back: 0 },
			first: NOON / 1000
		});
		const units = await listUnits(db, SITE.id);
		expect(units.map(({ name, target }) => [name, target?.kind])).toEqual([
			['K1', 'string'],
			['K2', 'string']
		]);
		expect((await valuesOf('K1')).slice(0, 3)).toEqual([100, 101, 102]);
	});

	it('shows nothing before all of it came, and nothing after it was stopped', async () => {
		const text = lines(300);
		await startImport(db, SITE, startOf(idOf(1), text), '2026-06-01T00:00:00Z');
		const bytes = new TextEncoder().encode(text);
		await takePiece(db, idOf(1), 0, bytes.slice(0, 4000), false);
		expect(await listUnits(db, SITE.id)).toEqual([]);
		expect(await listImports(db, SITE.id)).toEqual([]);
		expect(await stopImport(db, idOf(1))).toBe(true);
		expect(await blocks()).toBe(0);
		const after = await takePiece(db, idOf(1), 4000, bytes.slice(4000), true);
		expect(!after.ok && after.problem).toContain('not running');
	});

	it('answers a piece that comes twice as it did, and refuses one that is missing', async () => {
		const text = lines(300);
		await startImport(db, SITE, startOf(idOf(1), text), '2026-06-01T00:00:00Z');
		const bytes = new TextEncoder().encode(text);
		const first = await takePiece(db, idOf(1), 0, bytes.slice(0, 4000), false);
		expect(await takePiece(db, idOf(1), 0, bytes.slice(0, 4000), false)).toEqual(first);
		const gap = await takePiece(db, idOf(1), 9000, bytes.slice(9000), true);
		expect(!gap.ok && gap.problem).toContain('missing');
		await stopImport(db, idOf(1));
	});

	it('loses nothing and stores nothing twice where storing fails and each piece comes again', async () => {
		const text = lines(300);
		await takeIn(1, text);
		const once = await valuesOf('K2');
		await stopImport(db, idOf(1));
		await startImport(db, SITE, startOf(idOf(2), text), '2026-06-02T00:00:00Z');
		const bytes = new TextEncoder().encode(text);
		const size = 1500;
		let failures = 0;
		for (let from = 0; from < bytes.length; from += size) {
			const last = from + size >= bytes.length;
			const send = () => takePiece(db, idOf(2), from, bytes.slice(from, from + size), last);
			for (const table of from === 0
				? ['watch_unit', 'watch_series']
				: ['watch_day', 'watch_block']) {
				await sql`create trigger broken before insert on ${sql.table(table)} begin select raise(abort, 'disk'); end`.execute(
					db
				);
				await send().catch(() => failures++);
				await sql`drop trigger broken`.execute(db);
			}
			expect((await send()).ok).toBe(true);
			expect(await send()).toEqual(await send());
		}
		expect(failures).toBe(4);
		expect(await valuesOf('K2')).toEqual(once);
		expect(await listImports(db, SITE.id)).toMatchObject([{ samples: 600 }]);
		const again = await takePiece(db, idOf(2), 0, bytes, true);
		expect(again).toMatchObject({ ok: true, value: { samples: 600, done: true } });
	});

	it('is taken back whole, with the units that only it had; what it overlaid is there again', async () => {
		await takeIn(1, lines(100));
		await takeIn(2, lines(50, NOON, 3));
		expect((await valuesOf('K2'))[0]).toBe(600);
		await stopImport(db, idOf(2));
		expect((await valuesOf('K2'))[0]).toBe(200);
		await stopImport(db, idOf(1));
		expect(await listUnits(db, SITE.id)).toEqual([]);
		expect(await blocks()).toBe(0);
		expect(await stopImport(db, idOf(1))).toBe(false);
	});

	it('that a server left unfinished is tidied away', async () => {
		await startImport(db, SITE, startOf(idOf(1), lines(9)), '2026-06-01T00:00:00Z');
		expect(await unfinishedImports(db)).toEqual([idOf(1)]);
		await tidyImports(db);
		expect(await unfinishedImports(db)).toEqual([]);
	});

	it('in any order of its lines is the same, each time once, the later line standing', async () => {
		const [heading, ...rows] = lines(200).trim().split('\n');
		await takeIn(
			1,
			`${[heading, ...rows.toReversed(), rows[0]!.replace(',100,', ',7,')].join('\n')}\n`
		);
		const values = await valuesOf('K1');
		expect(values).toHaveLength(200);
		expect(values.slice(0, 3)).toEqual([7, 101, 102]);
		expect((await listImports(db, SITE.id))[0]!.report.back).toBeGreaterThan(100);
	});

	it('of which nothing can be read, or that is no text, leaves nothing', async () => {
		const start = startOf(idOf(1), lines(9));
		const none = await takeIn(1, 'Time,K1 P (W),K2 P (W)\nno,x,y\n', 700, start);
		expect(!none.ok && none.problem).toContain('Nothing could be read');
		const binary = await takeIn(2, `Time\n\u0000\u0001`, 700, { ...start, id: idOf(2) });
		expect(!binary.ok && binary.problem).toContain('not a text file');
		const wrong = await takeIn(3, `Time,K1 P (W),K2 P (W)\n${'then,1,2\n'.repeat(3000)}`, 9000, {
			...start,
			id: idOf(3)
		});
		expect(!wrong.ok && wrong.problem).toContain('Most lines cannot be read');
		expect(await unfinishedImports(db)).toEqual([]);
		expect(await blocks()).toBe(0);
	});

	it('keeps the reasons of refused lines with their numbers', async () => {
		await takeIn(1, lines(20).replace(',101,', ',broken,').replace(',105,', ',-1e9,'));
		const [{ report }] = (await listImports(db, SITE.id)) as [
			Awaited<ReturnType<typeof listImports>>[0]
		];
		expect(report.refused).toBe(2);
		expect(report.why.map(({ line }) => line)).toEqual([3, 7]);
	});
});

describe('what exports hold', () => {
	it('is a year on shared times, the same after its way to the browser', async () => {
		await takeIn(1, lines(300));
		const year = await monitoredYear(
			db,
			SITE,
			testRecord(),
			{ ...NO_SETTINGS, latitude: 55, longitude: 2 },
			null
		);
		expect(year).toMatchObject({
			times: { step: 900_000, start: Date.UTC(2026, 5, 1) },
			observer: { latitude: 55, longitude: 2 },
			irradiance: null
		});
		expect(year!.units.map(({ label, labelWatts: ratedPower }) => [label, ratedPower])).toEqual([
			['K1', 2220],
			['K2', 2220]
		]);
		expect(year!.units[0]!.power[48]).toBe(100);
		expect(yearFromBytes(yearToBytes(year!).buffer)).toEqual(year);
	});

	it('under two names is one part once somebody says so', async () => {
		await takeIn(1, lines(100));
		await takeIn(2, lines(100, NOON + 100 * 900_000).replace('K1', 'K1 new'));
		const k1 = (await listUnits(db, SITE.id)).find(({ name }) => name === 'K1')!.target;
		await setTargets(db, SITE.id, new Map([['K1 new', k1]]));
		const year = await monitoredYear(db, SITE, testRecord(), NO_SETTINGS, null);
		expect(year!.units).toHaveLength(2);
		expect(year!.units[0]!.power.filter((power) => !Number.isNaN(power))).toHaveLength(200);
	});

	it('is thinned for a picture, and summed by day', async () => {
		await takeIn(1, lines(400));
		const key = `string:${testRecord().strings[0]!.id}`;
		const line = async (from: number, to: number) =>
			(await courseOf(db, SITE.id, [key, 'name:gone'], 'power', from, to, 40))[0]!;
		const some = await line(Date.UTC(2026, 5, 1), Date.UTC(2026, 5, 12));
		expect(some.at).toHaveLength(40);
		expect(some.mean[0]).toBeCloseTo(104.5, 6);
		const years = await line(0, Date.UTC(2027, 0, 1));
		expect(years.mean[0]).toBe(123.5);
		const [series] = await seriesOf(db, SITE.id);
		const days = await readDays(db, series!.id, 0, Date.UTC(2027, 0, 1));
		expect(days.at[0]).toBe(Date.UTC(2026, 5, 1));
		expect(days.value[0]).toBe(123.5);
	});

	it('is nothing where there is no export', async () => {
		expect(await monitoredYear(db, SITE, testRecord(), NO_SETTINGS, null)).toBeNull();
	});
});

describe('pieces of a file', () => {
	it('end anywhere, even within a letter, a line or quotation marks', () => {
		const bytes = new TextEncoder().encode('a,"b\nc",°\r\n1,2,3\r\nlast,4,5');
		for (let cut = 1; cut < bytes.length; cut++) {
			const reader = new PieceReader(',');
			const rows = [
				reader.read(bytes.slice(0, cut), false),
				reader.read(bytes.slice(cut), true)
			].flat();
			expect(rows).toEqual([
				['a', 'b\nc', '°'],
				['1', '2', '3'],
				['last', '4', '5']
			]);
		}
	});
	it('of UTF-16 are read too', () => {
		const text = '\uFEFFa,b\n1,2';
		const bytes = new Uint8Array(Uint16Array.from(text, (letter) => letter.charCodeAt(0)).buffer);
		expect(new PieceReader(',').read(bytes, true)).toEqual([
			['a', 'b'],
			['1', '2']
		]);
	});
	it('are read in one walk, though a mark near the beginning is never closed', () => {
		const reader = new PieceReader(',');
		const line = '2026-03-01 12:00,"1"\n';
		const text = `a"b,c\n${line.repeat(900_000 / line.length)}`;
		expect(reader.read(new TextEncoder().encode(text), false)).toEqual([]);
	});

	it('with a quotation mark that is never closed end in words', () => {
		const reader = new PieceReader(',');
		const words = reader.read(new TextEncoder().encode(`"${'x'.repeat(1_100_000)}`), false);
		expect(words).toContain('not closed');
	});
});

it('settings and benchmark readings are kept; one of an id once', async () => {
	expect(await monitoringSettings(db, SITE.id)).toEqual(NO_SETTINGS);
	const settings = { ...NO_SETTINGS, price: 0.2, benchmarkDays: ['06-21'] };
	await saveMonitoringSettings(db, SITE.id, settings);
	expect(await monitoringSettings(db, SITE.id)).toEqual(settings);
	const entry = {
		id: idOf(7),
		date: '2026-06-21',
		target: { kind: 'array' as const },
		watts: 4000,
		side: 'dc' as const,
		irradiance: 900,
		cellTemperature: 45,
		by: 'x'
	};
	await addBenchmarkEntry(db, SITE.id, entry);
	await addBenchmarkEntry(db, SITE.id, { ...entry, watts: 1 });
	expect(await benchmarkEntries(db, SITE.id)).toEqual([entry]);
	await removeBenchmarkEntry(db, SITE.id, entry.id);
	expect(await benchmarkEntries(db, SITE.id)).toEqual([]);
});
