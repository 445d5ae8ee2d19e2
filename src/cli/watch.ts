import Papa from 'papaparse';
import { z } from 'zod';
import { type Problem, problemOf, readVisitData } from '$core/document';
import {
	analyseYear,
	buildYear,
	guessLayout,
	importQuestions,
	type Layout,
	layoutProblem,
	matchUnits,
	type MonitoredQuantity,
	type PartSamples,
	type PreviewPeak,
	renamedQuestion,
	SampleReader,
	type Samples,
	unitKey,
	type YearAnalysis
} from '$core/monitoring';
import { refuse, type Result, succeed } from '$core/units';
import { daysOf, zoneOf } from '$lib/time/zone';

const inputSchema = z.strictObject({
	/** A visit file: its record and its site's time zone are taken. */
	visit: z.unknown(),
	/** The export's text. */
	csv: z.string(),
	latitude: z.number().min(-90).max(90).optional(),
	longitude: z.number().min(-180).max(180).optional(),
	/** Factors of shunts and dividers by the headings of their columns. */
	factors: z.record(z.string(), z.number()).optional()
});

const DAY = 86_400_000;
/** Lines that the layout is guessed from. */
const HEAD = 400;
const REFUSED_SHOWN = 100;

/**
 * `zembo watch`: a visit file and an export as text; which unit underperforms and since when, clipping, shade, soiling and
 * drift, as the screen says it.
 */
export function watchCommand(input: unknown): Result<unknown, Problem> {
	const parsed = inputSchema.safeParse(input);
	if (!parsed.success) return refuse(problemOf(parsed.error));
	const { csv, latitude, longitude, factors = {} } = parsed.data;
	const document = readVisitData(parsed.data.visit);
	if (!document.ok) return document;
	const { record, site } = document.value;
	const { data: rows, meta } = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''));
	const guess = guessLayout(rows.slice(0, HEAD), meta.delimiter);
	if (!guess.ok)
		return refuse({ what: guess.problem, where: 'csv', mend: 'Send the export itself.' });
	const { headings } = guess.value;
	const layout: Layout = {
		...guess.value.layout,
		figures: guess.value.layout.figures.map((figure) => {
			const scale = factors[headings[figure.column] ?? ''];
			return scale === undefined ? figure : { ...figure, scale };
		})
	};
	const problem = layoutProblem(layout);
	if (problem !== null) {
		return refuse({ what: problem, where: 'csv', mend: 'Rename the columns or leave some out.' });
	}
	const reader = new SampleReader(layout, headings, zoneOf(site.timeZone));
	const lists = new Map<
		string,
		{ unit: string; watched: MonitoredQuantity; at: number[]; value: number[] }
	>();
	const refused: { line: number; why: string }[] = [];
	rows.slice(layout.headingLine).forEach((cells, i) => {
		const why = reader.read(cells, (unit, watched, at, value) => {
			const key = `${watched} ${unit}`;
			const list = lists.get(key) ?? { unit, watched, at: [], value: [] };
			list.at.push(at);
			list.value.push(value);
			lists.set(key, list);
		});
		if (why !== null) refused.push({ line: layout.headingLine + i + 1, why });
	});
	const all = [...lists.values()];
	if (all.length === 0) {
		return refuse({
			what: 'Nothing can be read from the export.',
			where: 'csv',
			mend: 'Send CSV.'
		});
	}
	const names = [...new Set(all.map(({ unit }) => unit))];
	const targets = matchUnits(names, record);
	const parts = names.map((name): PartSamples => {
		const target = targets.get(name) ?? null;
		const samples: Record<string, Samples | undefined> = {};
		for (const { unit, watched, at, value } of all) {
			if (unit === name) samples[watched] = sortedSamples(at, value);
		}
		return { key: unitKey(name, target), name, target, samples };
	});
	const first = Math.min(...all.map(({ at }) => at.reduce((a, b) => Math.min(a, b))));
	const last = Math.max(...all.map(({ at }) => at.reduce((a, b) => Math.max(a, b))));
	const span = { from: Math.floor(first / DAY) * DAY, to: (Math.floor(last / DAY) + 1) * DAY };
	const observer =
		latitude === undefined || longitude === undefined ? null : { latitude, longitude };
	const year = buildYear(record, parts, span, (times) => daysOf(times, site.timeZone), observer);
	if (!year) {
		return refuse({
			what: 'Nothing in the export says what a unit made.',
			where: 'csv',
			mend: 'Send power or energy.'
		});
	}
	return succeed({
		...answerOf(
			finish(analyseYear(year)),
			(key) => year.units.find((unit) => unit.key === key)!.label
		),
		matched: targets.size,
		units: names.length,
		refused: refused.length,
		doubts: [
			...guess.value.questions,
			...importQuestions(record, targets, peaksOf(all)),
			...[renamedQuestion(spansOf(all))].filter((question) => question !== null)
		],
		why: refused.slice(0, REFUSED_SHOWN)
	});
}

/** Days from the first to the last sample of each unit. */
function spansOf(
	lists: readonly {
		readonly unit: string;
		readonly watched: MonitoredQuantity;
		readonly at: number[];
	}[]
) {
	return [...new Set(lists.map(({ unit }) => unit))].map((name) => {
		const own = lists.filter(({ unit }) => unit === name);
		const days = own.flatMap(({ at }) => [
			Math.floor(at.reduce((a, b) => Math.min(a, b)) / DAY),
			Math.floor(at.reduce((a, b) => Math.max(a, b)) / DAY)
		]);
		return {
			name,
			first: Math.min(...days),
			last: Math.max(...days),
			quantities: own.map(({ watched }) => watched)
		};
	});
}

/** The greatest power of each unit, for what speaks against its match. */
function peaksOf(
	lists: readonly {
		readonly unit: string;
		readonly watched: MonitoredQuantity;
		readonly value: number[];
	}[]
): PreviewPeak[] {
	return lists.map(({ unit, watched, value }) => ({
		name: unit,
		watched,
		most: value.reduce((a, b) => Math.max(a, b), 0)
	}));
}

function sortedSamples(at: readonly number[], value: readonly number[]): Samples {
	const order = [...at.keys()].sort((a, b) => at[a]! - at[b]!);
	return {
		at: Float64Array.from(order, (i) => at[i]!),
		value: Float64Array.from(order, (i) => value[i]!)
	};
}

function finish(running: Generator<unknown, YearAnalysis>): YearAnalysis {
	for (;;) {
		const { value, done } = running.next();
		if (done) return value as YearAnalysis;
	}
}

function answerOf(found: YearAnalysis, labelOf: (key: string) => string) {
	const { dates, energy, events, causes, arrayEvents, clipping, planes, clock, notes } = found;
	return {
		from: dates[0],
		to: dates.at(-1),
		events: events.map(({ unit, ...event }) => ({
			unit: labelOf(unit),
			...event,
			cause: event.until === null ? (causes.get(unit) ?? null) : null
		})),
		arrayEvents,
		clipping: clipping.map(({ unit, ...flat }) => ({ unit: labelOf(unit), ...flat })),
		planes: planes.map(({ units, ...plane }) => ({ units: units.map(labelOf), ...plane })),
		energy: energy.map(({ unit, energy: kWh, specific, bestShare, complete }) => ({
			unit: labelOf(unit),
			kWh,
			specific,
			bestShare,
			complete
		})),
		clock,
		notes
	};
}
