import { parseJson } from '$core/document/parse-json';
import { guessLayout } from '$core/production/import/guess';
import { SampleReader } from '$core/production/import/reader';
import { readHeading } from '$core/production/import/watched';
import { readFigure } from '$core/document/figure';
import { PieceReader } from '$lib/server/watch/piece-reader';
import { zoneOf } from '$lib/time/zone';
import { parseCsv } from '$lib/ui/csv';

/*
 * Input that somebody made to be slow, and random input, through each parser: MB/s of the worst. The baseline is
 * TextDecoder alone on the same bytes. What is quadratic shows as a small fraction of a MB/s.
 */

const WANTED = 20;
const SIZE = 2_000_000;
const PIECE = 256 * 1024;

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

/** Cells as a reader of lines has them, none longer than a line may be. */
const lines = (text: string) => text.split('\n').map((line) => line.split(','));

const PARSERS: Readonly<Record<string, (text: string) => void>> = {
	'pieces of a file': (text) => {
		const reader = new PieceReader(',');
		const bytes = new TextEncoder().encode(text);
		for (let from = 0; from < bytes.length; from += PIECE) {
			const piece = bytes.subarray(from, from + PIECE);
			if (typeof reader.read(piece, from + PIECE >= bytes.length) === 'string') return;
		}
	},
	samples: (text) => {
		const reader = new SampleReader(LAYOUT, ['time', 'K1'], zoneOf('Etc/UTC'));
		for (const cells of lines(text)) reader.read(cells, () => undefined);
	},
	layout: (text) => void guessLayout(lines(text).slice(0, 200), ','),
	heading: (text) => {
		for (const line of lines(text)) for (const cell of line.slice(0, 4000)) readHeading(cell);
	},
	figure: (text) => {
		for (const line of lines(text)) {
			for (const cell of line) readFigure(cell, { min: 0, max: 1, unit: 'V' });
		}
	},
	'list of a table': (text) => void parseCsv(text),
	JSON: (text) => void parseJson(text)
};

const megabytesPerSecond = (run: () => void) => {
	const start = performance.now();
	run();
	return SIZE / 1e6 / ((performance.now() - start) / 1000);
};

for (const [name, parse] of Object.entries(PARSERS)) {
	const speeds = Object.entries(TEXTS).map(([kind, text]) => {
		parse(text.slice(0, 20_000));
		return [kind, megabytesPerSecond(() => parse(text))] as const;
	});
	speeds.sort(([, a], [, b]) => a - b);
	const [kind, worst] = speeds[0]!;
	const verdict = worst < WANTED ? `, below the ${WANTED} wanted` : '';
	console.log(`${name}: worst ${worst.toFixed(1)} MB/s (${kind})${verdict}`);
}
const bytes = new TextEncoder().encode(TEXTS.digits!);
console.log(
	`baseline, TextDecoder alone: ${megabytesPerSecond(() => new TextDecoder().decode(bytes)).toFixed(0)} MB/s`
);
