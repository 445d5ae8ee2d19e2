import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { zoneOf } from '$lib/time/zone';
import { fixedZone, type Zone } from './clock';
import { guessLayout } from './guess';
import { layoutProblem } from './layout';
import { SampleReader } from './reader';

const UTC = fixedZone(0);
const cells = (text: string, delimiter = ',') =>
	text.split('\n').map((line) => line.split(delimiter));

/** Reads a whole export as the guess would have it. */
function read(text: string, delimiter = ',', zone: Zone = UTC) {
	const rows = cells(text, delimiter);
	const guess = guessLayout(rows.slice(0, 300), delimiter);
	if (!guess.ok) throw new Error(guess.problem);
	const { layout, headings, questions } = guess.value;
	const reader = new SampleReader(layout, headings, zone);
	const samples: string[] = [];
	const refused: { line: number; why: string }[] = [];
	rows.slice(layout.headingLine).forEach((row, i) => {
		const why = reader.read(row, (unit, watched, at, value) =>
			samples.push(`${new Date(at).toISOString().slice(0, 16)} ${unit} ${watched} ${value}`)
		);
		if (why !== null) refused.push({ line: layout.headingLine + i + 1, why });
	});
	return { layout, questions, samples, refused, tally: reader.tally };
}

describe('an export', () => {
	it('with a column for each unit', () => {
		const { samples, refused } = read(
			'Time;INV 1 P (kW);INV 2 P (kW)\n13.03.2026 10:00;1,5;2,25\n13.03.2026 10:15;;2,5',
			';'
		);
		expect(samples).toEqual([
			'2026-03-13T10:00 INV 1 power 1500',
			'2026-03-13T10:00 INV 2 power 2250',
			'2026-03-13T10:15 INV 2 power 2500'
		]);
		expect(refused).toEqual([]);
	});

	it('with a line for each unit and quantity', () => {
		const { samples, layout } = read(
			'timestamp,device,measurement,value\n2026-03-13T10:00Z,MI-1,power_W,120\n2026-03-13T10:00Z,MI-1,voltage_V,31.2\n2026-03-13T10:00Z,MI-2,power_W,118'
		);
		expect(layout).toMatchObject({ unitColumn: 1, quantityColumn: 2 });
		expect(samples).toEqual([
			'2026-03-13T10:00 MI-1 power 120',
			'2026-03-13T10:00 MI-1 dc-voltage 31.2',
			'2026-03-13T10:00 MI-2 power 118'
		]);
	});

	it('with units of measure in a line under the names', () => {
		const { samples } = read(
			'Time,K1 1,K1 2\n,kW,kW\n2026-03-13 10:00,0.25,0.2\n2026-03-13 10:15,0.3,0.1'
		);
		expect(samples).toContain('2026-03-13T10:00 K1 1 power 250');
		expect(samples).toHaveLength(4);
	});

	it('with "Module 1 (Wh)" over a column, which is a unit and not the column of unit names', () => {
		const { layout, samples } = read(
			'Time,Module 1 (Wh),Module 2 (Wh)\n2026-03-13 10:00,25,20\n2026-03-13 10:15,25,20'
		);
		expect(layout.unitColumn).toBeNull();
		expect(samples).toContain('2026-03-13T10:15 Module 2 energy 20');
	});

	it.each([
		['Time (UTC)', 0],
		['Timestamp [UTC+01:00]', 3_600_000],
		['Zeit (GMT-3)', -10_800_000],
		['Local time', null]
	])('keeps the zone that stands over its times: %s', (heading, offset) => {
		const { layout } = read(`${heading},K1 P (W)\n2026-07-13 10:00,5\n2026-07-13 10:15,6`);
		expect(layout.fixedOffset).toBe(offset);
	});

	it('leaves out what is not measured: states of devices, weekdays, line numbers, ends of intervals', () => {
		const line = (
			n: number,
			day: string,
			minutes: string,
			end: string,
			state: string,
			code: number
		) => `${n},${day},2026-03-13 10:${minutes},2026-03-13 10:${end},5,${state},${code}`;
		const { layout } = read(
			[
				'No.,Day,From,To,K1 P (W),K1 mode,K1 error code',
				...Array.from({ length: 12 }, (_, i) =>
					line(i + 1, 'Fri', String(10 + i), String(11 + i), i % 2 ? 'MPP' : 'Standby', 307)
				)
			].join('\n')
		);
		expect(layout.unitColumn).toBeNull();
		expect(layout.figures.map(({ column }) => column)).toEqual([4]);
	});

	it('keeps the column that names units or quantities under the heading of a code', () => {
		const lines = ['A', 'B', 'A', 'B'].map(
			(unit, i) => `2026-03-13 10:${i < 2 ? '00' : '15'},${unit},${i}`
		);
		expect(read(`Time,Device code,P (W)\n${lines.join('\n')}`).layout.unitColumn).toBe(1);
		const quantities = lines.map((line) => line.replace(/,(\w),/, ',power_W,$1,'));
		expect(read(`Time,Measurement code,Box,Value\n${quantities.join('\n')}`).layout).toMatchObject({
			quantityColumn: 1,
			unitColumn: 2
		});
	});

	it('with a line that comes twice takes no remark for the name of a unit, and asks where times repeat', () => {
		const line = '2026-03-13 10:00,5,cloudy';
		const once = read(`Time,K1 P (W),Sky\n${line}\n${line}\n2026-03-13 10:15,6,clear`);
		expect(once.layout.unitColumn).toBeNull();
		expect(once.questions).toEqual([expect.stringContaining('Times repeat')]);
	});

	it('turns the sign of generation that is written negative, and asks for the factor of a shunt', () => {
		const { layout, questions, samples } = read(
			'Time,K1 P (W),K1 shunt (mV)\n2026-03-13 10:00,-250,30\n2026-03-13 10:15,-260,31'
		);
		expect(layout.figures).toEqual([
			{ column: 1, unit: 'K1', watched: 'power', factor: 1, scale: -1 },
			{ column: 2, unit: 'K1', watched: 'dc-current', factor: 1 }
		]);
		expect(samples).toContain('2026-03-13T10:00 K1 power 250');
		expect(questions).toEqual([expect.stringContaining('sign'), expect.stringContaining('100/75')]);
	});

	it('of days, whose first figure looks like a time of day with a point', () => {
		const { layout, samples } = read(
			'Date,K1 1 Energy (kWh)\n2026-05-01,1.02\n2026-05-02,1.45\n2026-05-03,0.98'
		);
		expect(layout.time).toEqual([0]);
		expect(samples[0]).toBe('2026-05-01T00:00 K1 1 energy 1020');
	});

	it('with a line for each unit and a column for each quantity', () => {
		const { samples, layout } = read(
			'Time,Unit,Power (W),Energy (kWh)\n2026-03-13 10:00,A,100,1.5\n2026-03-13 10:00,B,90,1.25'
		);
		expect(layout.unitColumn).toBe(1);
		expect(samples).toContain('2026-03-13T10:00 B energy 1250');
	});

	it('with units that are numbers, date and time apart, and lines above the headings', () => {
		const { samples, layout } = read(
			'Export of the ferry company\nmade 2026\n\nDate,Time,Device ID,AC Power (W)\n13/03/2026,10:00,101,55\n13/03/2026,10:00,102,56\n13/03/2026,10:15,101,57'
		);
		expect(layout).toMatchObject({ headingLine: 4, time: [0, 1], unitColumn: 2 });
		expect(samples).toEqual([
			'2026-03-13T10:00 101 power 55',
			'2026-03-13T10:00 102 power 56',
			'2026-03-13T10:15 101 power 57'
		]);
	});

	it('of the whole site in Wh, without headings', () => {
		const { samples, questions } = read('2026-03-13 10:00,1200\n2026-03-13 10:15,1250');
		expect(questions.join()).toContain('no headings');
		expect(samples[0]).toBe('2026-03-13T10:00 Column 2 power 1200');
	});

	it('whose units are renamed by a second line of headings goes on under the new names', () => {
		const { samples, refused } = read(
			'Time,MI-1 P (W),MI-2 P (W)\n2026-03-13 10:00,1,2\nTime,MI-1b P (W),MI-2 P (W)\n2026-03-13 10:15,3,4'
		);
		expect(refused).toEqual([]);
		expect(samples.slice(2)).toEqual([
			'2026-03-13T10:15 MI-1b power 3',
			'2026-03-13T10:15 MI-2 power 4'
		]);
	});

	it('without any time is refused in words', () => {
		const guess = guessLayout(cells('a,b\n1,2\n3,4'), ',');
		expect(!guess.ok && guess.problem).toContain('No line begins with a time');
	});

	it('is told each line that cannot be, and why; the rest goes on', () => {
		const { samples, refused } = read(
			'Time,A energy (Wh),B P (W)\n2026-03-13 10:00,5,1\n2026-03-13 10:15,-5,2\nlater,5,3\n2026-03-13 10:30,six,4\n2026-03-13 10:45,7,5\n2026-03-13 11:00,8,6\n2026-03-13 11:15,9,7\n2026-03-13 11:30,9,7\n2026-03-13 11:45,9,7'
				.replace('later', '2026-02-30 10:20')
				.replace('2026-02-30 10:20,5,3\n', '')
		);
		expect(samples).toHaveLength(14);
		expect(refused).toEqual([
			{ line: 3, why: expect.stringContaining('Energy in the interval of -5') },
			{ line: 4, why: expect.stringContaining('“six” in column 2 is not a number') }
		]);
	});

	it('that goes back in time is read, and told', () => {
		const { samples, tally } = read(
			'Time,A P (W)\n2026-03-13 10:15,1\n2026-03-13 10:00,2\n2026-03-13 10:30,3'
		);
		expect(samples).toHaveLength(3);
		expect(tally.back).toBe(1);
	});
});

describe('summer time', () => {
	// A zone with the rules of many countries, invented so that no place is meant.
	const spring = Date.UTC(2026, 2, 29, 1);
	const autumn = Date.UTC(2026, 9, 25, 1);
	const HOUR = 3_600_000;
	const zone: Zone = {
		offsetsAt: (clock) =>
			[2 * HOUR, HOUR].filter((offset) => {
				const instant = clock - offset;
				return (instant >= spring && instant < autumn) === (offset === 2 * HOUR);
			})
	};
	const lines = (times: readonly string[]) =>
		`Time,A P (W)\n${times.map((time, i) => `${time},${i + 1}`).join('\n')}`;

	it('has an hour that comes twice: first in summer time, then not', () => {
		const { samples, tally } = read(
			lines([
				'2026-10-25 01:30',
				'2026-10-25 02:00',
				'2026-10-25 02:30',
				'2026-10-25 02:00',
				'2026-10-25 02:30',
				'2026-10-25 03:00'
			]),
			',',
			zone
		);
		expect(samples.map((sample) => sample.slice(11, 16))).toEqual([
			'23:30',
			'00:00',
			'00:30',
			'01:00',
			'01:30',
			'02:00'
		]);
		expect(tally).toEqual({ doubled: 4, missing: 0, back: 0 });
	});

	it('has an hour that does not exist, and says how to mend it', () => {
		const { samples, refused } = read(
			lines(['2026-03-29 01:30', '2026-03-29 02:30', '2026-03-29 03:30']),
			',',
			zone
		);
		expect(samples.map((sample) => sample.slice(11, 16))).toEqual(['00:30', '01:30']);
		expect(refused[0]!.why).toContain('choose its offset');
	});

	it('does not touch times that state their offset', () => {
		const { samples } = read(
			lines(['2026-10-25 02:30+02:00', '2026-10-25 02:30+01:00']),
			',',
			zone
		);
		expect(samples.map((sample) => sample.slice(11, 16))).toEqual(['00:30', '01:30']);
	});

	it('of a real calendar is the same hour twice and never', () => {
		const real = zoneOf('Europe/Berlin');
		expect(real.offsetsAt(Date.UTC(2026, 9, 25, 2, 30))).toEqual([2 * HOUR, HOUR]);
		expect(real.offsetsAt(Date.UTC(2026, 2, 29, 2, 30))).toEqual([]);
		expect(real.offsetsAt(Date.UTC(2026, 6, 1, 12))).toEqual([2 * HOUR]);
	});

	it('takes every instant of a year back to itself', () => {
		const real = zoneOf('Europe/Berlin');
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 365 * 96 }), (quarter) => {
				const instant = Date.UTC(2026, 0, 1) + quarter * 900_000;
				const clocks = [HOUR, 2 * HOUR].map((offset) => instant + offset);
				const hit = clocks.some((clock) =>
					real.offsetsAt(clock).some((offset) => clock - offset === instant)
				);
				expect(hit).toBe(true);
			})
		);
	});
});

it('a layout says what it lacks', () => {
	const guess = guessLayout(cells('Time,A P (W)\n2026-03-13 10:00,1'), ',');
	if (!guess.ok) throw new Error(guess.problem);
	const { layout } = guess.value;
	expect(layoutProblem(layout)).toBeNull();
	expect(layoutProblem({ ...layout, time: [] })).toContain('No column holds the time');
	expect(layoutProblem({ ...layout, figures: [] })).toContain('No column holds figures');
	const [one] = layout.figures;
	expect(layoutProblem({ ...layout, figures: [one!, { ...one!, column: 2 }] })).toContain(
		'Columns 2 and 3 would both be'
	);
	expect(layoutProblem({ ...layout, figures: [{ ...one!, watched: null }] })).toContain(
		'has no quantity'
	);
});
