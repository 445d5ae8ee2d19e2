import {
	createReadStream,
	mkdtempSync,
	openSync,
	closeSync,
	rmSync,
	statSync,
	writeSync
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Bench } from 'tinybench';
import { analyseYear, type MonitoredYear, type YearAnalysis } from '$core/monitoring';
import type { ImportStart } from '$core/document';
import { plantAll, type Planted, productionYear } from '$core/training';
import { randomFrom } from '$core/numerics';
import { openDatabase, type Db } from '$lib/server/database/open';
import { beginImport, endImport, removeImport } from '$lib/server/repositories/monitoring-imports';
import { courseOf } from '$lib/server/monitoring/course';
import { RunningImport } from '$lib/server/monitoring/running-import';
import { zoneOf } from '$lib/time/zone';
import { lintwhite370 } from '../demo/site';
import { printTable } from './print';

/*
 * Monitoring: years with planted events and healthy years through the analysis; how long a year of 24
 * units takes; ten million samples into the database, and pictures out of it.
 */

const UNITS = 24;
const DAY = 86_400_000;
const START = Date.UTC(2026, 0, 1);

const folder = mkdtempSync(join(tmpdir(), 'zembo-watch-'));
const db = await openDatabase(join(folder, 'zembo.db'));
const SITE = { id: '019c0000-0002-7000-8000-000000000001', timeZone: 'Etc/UTC' };
await db
	.insertInto('site')
	.values({ id: SITE.id, name: 'bench', place: '', time_zone: SITE.timeZone, created_at: '' })
	.execute();
const QUARTERS = 4;
const megabytes = (bytes: number) => (bytes / 1e6).toFixed(0);
const TEN_MILLION = 10_000_000;
const COLUMNS = 96;
await importOf(db, 'wide, 96 units', COLUMNS, TEN_MILLION / COLUMNS, true);
await pictures(db);
await importOf(db, 'long, a line each', 24, 1_000_000 / 24, false);
await db.destroy();
rmSync(folder, { recursive: true, force: true });

function generated(seed: number, planted: readonly Planted[], rated: number): MonitoredYear {
	return productionYear({
		seed,
		start: START,
		days: 365,
		stepMinutes: 15,
		units: UNITS,
		type: lintwhite370('019c0000-0001-7000-8000-000000000001'),
		age: 4,
		rated,
		plane: { tilt: 32, azimuth: 140 },
		observer: { latitude: 55.5, longitude: 2 },
		planted
	});
}

function finish(running: Generator<unknown, YearAnalysis>): YearAnalysis {
	for (;;) {
		const { value, done } = running.next();
		if (done) return value as YearAnalysis;
	}
}

/** Days by which a found beginning may differ from the planted one. */
const NEAR = { dead: 2, 'at-share': 4, shade: 20, soiling: 14 } as const;
const WEAK_RATING = 290;
const AMPLE_RATING = 380;

interface Tally {
	planted: number;
	found: number;
}
const tallies = new Map<string, Tally>();
let invented = 0;
function count(kind: string, found: boolean): void {
	const tally = tallies.get(kind) ?? { planted: 0, found: 0 };
	tallies.set(kind, { planted: tally.planted + 1, found: tally.found + (found ? 1 : 0) });
}

const dateOf = (day: number) => new Date(START + day * DAY).toISOString().slice(0, 10);
const daysBetween = (a: string, b: string) => Math.abs(Date.parse(a) - Date.parse(b)) / DAY;

/** Counts what of a year's planted events was found, and what was found that was not planted. */
function judge(found: YearAnalysis, planted: readonly Planted[], clips: boolean): void {
	const events = new Set(found.events);
	const arrays = new Set(found.arrayEvents);
	const take = <T>(set: Set<T>, fits: (one: T) => boolean) => {
		const one = [...set].find(fits);
		if (one) set.delete(one);
		return one !== undefined;
	};
	for (const one of planted) {
		switch (one.kind) {
			case 'dead':
				count(
					'unit dead',
					take(
						events,
						({ kind, unit, since }) =>
							kind === 'dead' &&
							unit === `unit-${one.unit + 1}` &&
							daysBetween(since, dateOf(one.from)) <= NEAR.dead
					)
				);
				break;
			case 'at-share':
				count(
					'unit at about 80 %',
					take(
						events,
						({ kind, unit, since, level }) =>
							kind === 'step' &&
							unit === `unit-${one.unit + 1}` &&
							daysBetween(since, dateOf(one.from)) <= NEAR['at-share'] &&
							Math.abs(level - one.share) < 0.02
					)
				);
				break;
			case 'shade':
				count(
					'returning shade',
					take(
						events,
						({ kind, unit, since }) =>
							kind === 'shade' &&
							unit === `unit-${one.unit + 1}` &&
							daysBetween(since, dateOf(one.from)) <= NEAR.shade
					)
				);
				break;
			case 'dirt':
				count(
					'soiling on all, and rain',
					take(
						arrays,
						({ kind, washed }) =>
							kind === 'dirt' &&
							washed !== null &&
							daysBetween(washed, dateOf(one.to)) <= NEAR.soiling
					)
				);
				break;
			case 'sensor-drift':
				count(
					'sensor drifts',
					take(
						arrays,
						({ kind, change }) =>
							kind === 'sensor-drift' &&
							Math.sign(change) === Math.sign(one.perYear) &&
							Math.abs(change - one.perYear) < 0.04
					)
				);
				break;
			default:
		}
	}
	if (clips) {
		const flat = found.clipping.filter(({ kind }) => kind === 'clipping');
		count('clipping', flat.length >= UNITS - 2);
	} else invented += found.clipping.length;
	invented += found.clipping.filter(({ kind }) => kind !== 'clipping').length;
	invented += events.size + arrays.size;
}

const YEARS = 20;
for (let s = 0; s < YEARS; s++) {
	const random = randomFrom(1500 + s);
	const planted = plantAll(random, UNITS);
	const clips = random.chance(0.5);
	judge(
		finish(analyseYear(generated(17_000 + s, planted, clips ? WEAK_RATING : AMPLE_RATING))),
		planted,
		clips
	);
}
console.log(
	`\nPlanted in ${YEARS} generated years of ${UNITS} units every 15 minutes, seeds from 17,000`
);
for (const [kind, { planted, found }] of tallies) {
	console.log(`  ${kind.padEnd(24)} found ${String(found).padStart(2)} of ${planted}`);
}
console.log(`  found besides what was planted: ${invented}`);
let falseAlarms = 0;
for (let s = 0; s < YEARS; s++) {
	const { events, arrayEvents, clipping } = finish(
		analyseYear(generated(19_000 + s, [], AMPLE_RATING))
	);
	// Days that the generated logger left out are left out.
	const claimed = arrayEvents.filter(({ kind }) => kind !== 'no-data');
	falseAlarms += events.length + claimed.length + clipping.length;
}
console.log(`  found in ${YEARS} healthy years: ${falseAlarms}`);

const year = generated(17_000, plantAll(randomFrom(1500), UNITS), WEAK_RATING);
const bench = new Bench({ iterations: 8, time: 0, warmupIterations: 2 });
bench
	.add('add up each unit by day', () => {
		let sum = 0;
		for (const { power } of year.units) {
			for (const { from, to } of year.days) {
				for (let t = from; t < to; t++) sum += power[t]!;
			}
		}
		return void sum;
	})
	.add('look through the year', () => void finish(analyseYear(year)));
await bench.run();
printTable(`A year of ${UNITS} units at 15 minutes`, bench, 1, 'add up each unit by day');

/** Writes an export and takes it in, as the server does with what comes from the browser. */
async function importOf(
	into: Db,
	name: string,
	units: number,
	rows: number,
	keep: boolean
): Promise<void> {
	const wide = keep;
	const file = join(folder, 'export.csv');
	writeExport(file, units, rows, wide);
	const id = `019c0000-0003-7000-8000-00000000000${wide ? 1 : 2}`;
	const start: ImportStart = {
		id,
		file: 'export.csv',
		delimiter: ';',
		headings: [],
		layout: {
			headingLine: 1,
			time: [0],
			form: 'year-first',
			fixedOffset: null,
			mark: ',',
			unitColumn: wide ? null : 1,
			quantityColumn: null,
			figures: wide
				? Array.from({ length: units }, (_, u) => ({
						column: u + 1,
						unit: `U${u + 1}`,
						watched: 'power' as const,
						factor: 1
					}))
				: [{ column: 2, unit: null, watched: 'power', factor: 1 }]
		}
	};
	await beginImport(into, id, SITE.id, name, new Date().toISOString());
	const running = new RunningImport(id, SITE.id, start, zoneOf(SITE.timeZone));
	const { size } = statSync(file);
	let peak = 0;
	const before = process.memoryUsage().rss;
	const along: number[] = [];
	const began = performance.now();
	for await (const piece of createReadStream(file, { highWaterMark: 256 * 1024 })) {
		const bytes = piece as Buffer;
		const last = running.received + bytes.length >= size;
		const read = running.read(bytes, last);
		if (!read.ok) throw new Error(read.problem);
		await running.store(into, last);
		const { rss } = process.memoryUsage();
		peak = Math.max(peak, rss);
		if (running.received >= ((along.length + 1) * size) / QUARTERS) along.push(rss);
	}
	await endImport(into, id, running.report());
	const seconds = (performance.now() - began) / 1000;
	console.log(
		`\nImport, ${name}: ${running.samples.toLocaleString('en')} samples of ${(size / 1e6).toFixed(0)} MB in ${seconds.toFixed(1)} s, ${Math.round(running.samples / seconds).toLocaleString('en')} a second; resident memory ${megabytes(before)} before, ${along.map(megabytes).join(', ')} at each quarter, ${megabytes(peak)} MB at most; database ${(statSync(join(folder, 'zembo.db')).size / 1e6).toFixed(0)} MB`
	);
	if (keep) return;
	const back = performance.now();
	await removeImport(into, id);
	console.log(`  taken back whole in ${((performance.now() - back) / 1000).toFixed(2)} s`);
}

function writeExport(file: string, units: number, rows: number, wide: boolean): void {
	const out = openSync(file, 'w');
	const names = Array.from({ length: units }, (_, u) => `U${u + 1}`);
	writeSync(out, wide ? `time;${names.join(';')}\n` : 'time;unit;power\n');
	let lines: string[] = [];
	for (let row = 0; row < rows; row++) {
		const time = new Date(Date.UTC(2023, 0, 1) + row * 900_000)
			.toISOString()
			.slice(0, 16)
			.replace('T', ' ');
		const figure = (u: number) => (((row * 7 + u * 131) % 3000) / 10).toFixed(1).replace('.', ',');
		if (wide) lines.push(`${time};${names.map((_, u) => figure(u)).join(';')}`);
		else for (const [u, name] of names.entries()) lines.push(`${time};${name};${figure(u)}`);
		if (lines.length < 2000) continue;
		writeSync(out, `${lines.join('\n')}\n`);
		lines = [];
	}
	writeSync(out, `${lines.join('\n')}\n`);
	closeSync(out);
}

/** What a chart asks for while somebody drags it: whole time, a month, a week, a day, at ten places each. */
async function pictures(from: Db): Promise<void> {
	const keys = Array.from({ length: 4 }, (_, u) => `name:U${u + 1}`);
	const whole = { from: Date.UTC(2023, 0, 1), to: Date.UTC(2025, 11, 22) };
	console.log(
		'\nFour lines of 96 over ten million samples, for a picture (median and longest of 10)'
	);
	for (const [name, length] of [
		['all three years', whole.to - whole.from],
		['a year', 365 * DAY],
		['a month', 30 * DAY],
		['a week', 7 * DAY],
		['a day', DAY]
	] as const) {
		const times: number[] = [];
		for (let i = 0; i < 10; i++) {
			const begin = whole.from + ((whole.to - whole.from - length) * i) / 10;
			const t = performance.now();
			await courseOf(from, SITE.id, keys, 'power', begin, begin + length, 1800);
			times.push(performance.now() - t);
		}
		times.sort((a, b) => a - b);
		console.log(`  ${name.padEnd(18)} ${times[5]!.toFixed(1)} ms, ${times[9]!.toFixed(1)} ms`);
	}
}
