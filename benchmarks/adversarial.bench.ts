import { parseJson, readFigure } from '$core/document';
import { guessLayout, readHeading, SampleReader } from '$core/monitoring';
import { PieceReader } from '$lib/server/monitoring/piece-reader';
import { zoneOf } from '$lib/time/zone';
import { parseCsv } from '$lib/text/csv';

/*
 * Input that somebody made to be slow, and random input, through each parser: MB/s of the worst. What is quadratic
 * shows as a small fraction of a MB/s. Lines of one or two characters are bound by the objects made for them, so
 * the engine's own split stands beside as a baseline. What reads cells gets them ready made.
 */

const WANTED = 20;
const SIZE = 2_000_000;
const PIECE = 256 * 1024;
/** Lines of which a layout is guessed. */
const LOOKED_AT = 200;

const fill = (text: string) => text.repeat(Math.ceil(SIZE / text.length)).slice(0, SIZE);
let state = 7;
const next = () => (state = (Math.imul(state, 1_103_515_245) + 12_345) >>> 1);
const letters = (alphabet: string) =>
	Array.from({ length: SIZE }, () => alphabet[next() % alphabet.length]).join('');

const TEXTS: Readonly<Record<string, string>> = {
	blanks: fill(' '),
	tabs: fill('\t'),
	'quotation marks': fill('"'),
	'one quotation mark': `"${fill('a,1\n')}`,
	delimiters: fill(','),
	'line ends': fill('\r\n'),
	digits: fill('1'),
	brackets: fill('('),
	'a date and blanks': fill(`2026-06-01${' '.repeat(3000)}x,1\n`),
	'blanks within a date': fill(`2026-06-01 ${' '.repeat(500)}T${' '.repeat(500)}10:00,1\n`),
	'minus signs': fill('-'),
	'lines of an export': fill('2026-06-01 10:00,123.4,5\n'),
	'random marks': letters(' ,;"\n\t-:./0129aZ()[]'),
	'random letters': letters('abcdefghijklmnop \n,')
};

const LAYOUT = {
	headingLine: 1,
	time: [0],
	form: 'year-first',
	fixedOffset: null,
	mark: '.',
	unitColumn: null,
	quantityColumn: null,
	figures: [{ column: 1, unit: 'K1', watched: 'power', factor: 1 }]
} as const;

type Rows = readonly (readonly string[])[];
const split = (text: string): Rows => text.split('\n').map((line) => line.split(','));

const OF_TEXT: Readonly<Record<string, (text: string) => void>> = {
	'baseline, split': (text) => void split(text),
	'pieces of a file': (text) => {
		const reader = new PieceReader(',');
		const bytes = new TextEncoder().encode(text);
		for (let from = 0; from < bytes.length; from += PIECE) {
			const piece = bytes.subarray(from, from + PIECE);
			if (typeof reader.read(piece, from + PIECE >= bytes.length) === 'string') return;
		}
	},
	'list of a table': (text) => void parseCsv(text),
	JSON: (text) => void parseJson(text)
};

const OF_CELLS: Readonly<Record<string, (rows: Rows) => void>> = {
	samples: (rows) => {
		const reader = new SampleReader(LAYOUT, ['time', 'K1'], zoneOf('Etc/UTC'));
		for (const cells of rows) reader.read(cells, () => undefined);
	},
	heading: (rows) => {
		for (const cells of rows) for (const cell of cells) readHeading(cell);
	},
	figure: (rows) => {
		for (const cells of rows) {
			for (const cell of cells) readFigure(cell, { min: 0, max: 1, unit: 'V' });
		}
	}
};

const secondsOf = (run: () => void) => {
	const start = performance.now();
	run();
	return (performance.now() - start) / 1000;
};

function report(name: string, speeds: readonly (readonly [string, number])[]) {
	const [[kind, worst], [second, next]] = [...speeds].sort(([, a], [, b]) => a - b) as [
		[string, number],
		[string, number]
	];
	const verdict = worst < WANTED ? `, below the ${WANTED} wanted` : '';
	console.log(
		`${name}: worst ${worst.toFixed(1)} MB/s (${kind}), then ${next.toFixed(1)} (${second})${verdict}`
	);
}

const speedOf = (run: () => void) => SIZE / 1e6 / secondsOf(run);
for (const [name, parse] of Object.entries(OF_TEXT)) {
	report(
		name,
		Object.entries(TEXTS).map(([kind, text]) => {
			parse(text.slice(0, 20_000));
			return [kind, speedOf(() => parse(text))];
		})
	);
}
for (const [name, read] of Object.entries(OF_CELLS)) {
	report(
		name,
		Object.entries(TEXTS).map(([kind, text]) => {
			const rows = split(text);
			read(rows.slice(0, 1000).map((cells) => cells.slice(0, 1000)));
			return [kind, speedOf(() => read(rows))];
		})
	);
}

/** Once a file, from its first lines: its whole time counts, not that per byte. */
const guesses = Object.entries(TEXTS).map(([kind, text]) => {
	const rows = split(text).slice(0, LOOKED_AT);
	return [kind, 1000 * secondsOf(() => guessLayout(rows, ','))] as const;
});
const [slowest, milliseconds] = guesses.sort(([, a], [, b]) => b - a)[0]!;
console.log(`layout: ${milliseconds.toFixed(1)} ms at most a file (${slowest})`);
