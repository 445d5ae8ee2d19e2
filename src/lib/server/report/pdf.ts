import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import pdfmake from 'pdfmake';
import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import type { Drawing } from '$lib/drawing/drawing';
import { drawingSvg } from '$lib/drawing/svg';
import type { Block, Cell, Column, Report } from '$lib/report/block';
import { MISSING_PICTURE } from '$lib/report/html';
import type { ReportPage } from './page-sizes';

/** Left, top, right and bottom of a page, pt. */
const MARGINS: [number, number, number, number] = [42, 42, 42, 54];
/** Room between them, pt; drawings leave some of it to their heading. */
const ROOM: Readonly<Record<ReportPage, readonly [width: number, height: number]>> = {
	A4: [511, 680],
	LETTER: [528, 630]
};
/** A heading that would begin lower goes on the next page, as a share of the height. */
const LOWEST_HEADING = 0.86;
/** Blocks that stay with the lines to sign on, so that nobody signs an empty page. */
const END = 3;
/** Points that a drawing's px takes at most, so that small arrays are not drawn large. */
const LARGEST_SCALE = 0.75;

function drawn({ width, height }: Drawing, page: ReportPage): [number, number] {
	const [wide, high] = ROOM[page];
	return [Math.min(wide, width * LARGEST_SCALE), Math.min(high, height * LARGEST_SCALE)];
}

const require = createRequire(import.meta.url);
/** A weight of one of the fonts that Zembo ships. */
const fontFile = (family: string, weight: 400 | 700) =>
	join(
		dirname(require.resolve(`@fontsource/${family}/package.json`)),
		`files/${family}-latin-${weight}-normal.woff`
	);
const NEXT = 'atkinson-hyperlegible-next';

pdfmake.setFonts({
	Zembo: {
		normal: fontFile(NEXT, 400),
		bold: fontFile(NEXT, 700),
		italics: fontFile(NEXT, 400),
		bolditalics: fontFile(NEXT, 700)
	}
});
// Nothing is fetched, and no file is read but the fonts above.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.includes('@fontsource'));

const SOFT = '#444444';
const RULE = '#999999';
/** Photographs stand three beside one another, pt. */
const PICTURE_WIDTH = 165;

/**
 * A report as PDF with text that can be searched and copied.
 *
 * @param pictures bytes of photographs by their id
 * @param at instant that the file carries
 * @param onProgress told the share that is written, 0 to 1
 * @returns its bytes as they are written
 */
export async function reportPdf(
	report: Report,
	pictures: ReadonlyMap<string, Uint8Array>,
	pageSize: ReportPage,
	at: Date,
	onProgress: (share: number) => void = () => undefined
): Promise<AsyncIterable<Uint8Array>> {
	for (const [id, { buffer, byteOffset, length }] of pictures) {
		pdfmake.virtualfs.writeFileSync(id, Buffer.from(buffer, byteOffset, length));
	}
	pdfmake.setProgressCallback(onProgress);
	const definition: TDocumentDefinitions = {
		pageSize,
		images: Object.fromEntries([...pictures.keys()].map((id) => [id, id])),
		pageMargins: MARGINS,
		language: 'en',
		displayTitle: true,
		tagged: true,
		info: { title: report.title, subject: report.subtitle, creationDate: at, modDate: at },
		defaultStyle: { font: 'Zembo', fontSize: 9.5, lineHeight: 1.15 },
		// A heading never stands alone at the end of a page.
		pageBreakBefore: ({ headlineLevel, startPosition }) =>
			headlineLevel === 1 && startPosition.verticalRatio > LOWEST_HEADING,
		footer: (page, pages) => ({
			margin: [42, 8, 42, 0],
			fontSize: 7,
			color: SOFT,
			columns: [
				{ text: report.footer, width: '*' },
				{ text: `${page} of ${pages}`, alignment: 'right', width: 50 }
			]
		}),
		content: [
			{ text: report.title, fontSize: 18, bold: true },
			{ text: report.subtitle, margin: [0, 0, 0, 6] },
			{
				layout: 'noBorders',
				table: {
					widths: [80, '*'],
					body: report.facts.map(([name, value]) => [{ text: name, color: SOFT }, value])
				}
			},
			...report.blocks.slice(0, -END).map((block, i): Content => {
				const content = contentOf(block, pictures, pageSize);
				const before = report.blocks[i - 1];
				if (block.kind === 'heading' && report.blocks[i + 1]?.kind === 'drawing') return '';
				return block.kind === 'drawing' && before?.kind === 'heading'
					? { stack: [contentOf(before, pictures, pageSize), content], unbreakable: true }
					: content;
			}),
			{
				unbreakable: true,
				stack: [
					...report.blocks.slice(-END).map((block) => contentOf(block, pictures, pageSize)),
					signatureLines(report.signatures)
				]
			}
		]
	};
	const stream = await pdfmake.createPdf(definition).getStream();
	stream.end();
	return stream;
}

function signatureLines(names: readonly string[]): Content {
	return {
		margin: [0, 46, 0, 0],
		columnGap: 40,
		columns: names.map((name) => ({
			stack: [
				{ canvas: [{ type: 'line', x1: 0, y1: 0, x2: 200, y2: 0, lineWidth: 0.7 }] },
				{ text: name, color: SOFT }
			]
		}))
	};
}

function contentOf(
	block: Block,
	pictures: ReadonlyMap<string, Uint8Array>,
	page: ReportPage
): Content {
	switch (block.kind) {
		case 'heading':
			return {
				text: block.text,
				bold: true,
				headlineLevel: 1,
				fontSize: block.minor ? 10 : 12.5,
				margin: [0, block.minor ? 6 : 12, 0, 3]
			};
		case 'text':
			return {
				text: block.text,
				margin: [0, 1, 0, 3],
				...(block.soft && { color: SOFT, fontSize: 8.5 })
			};
		case 'list':
			return { ul: block.items.map((item) => ({ text: runs(item) })), margin: [0, 1, 0, 4] };
		case 'table':
			return tableOf(block.columns, block.rows);
		case 'drawing':
			return {
				svg: drawingSvg(block.drawing, block.words),
				fit: drawn(block.drawing, page),
				margin: [0, 2, 0, 6]
			};
		case 'pictures':
			return picturesOf(block.pictures, pictures);
	}
}

function runs({ text, soft = [], strong }: Cell) {
	return [
		{ text, ...(strong && { bold: true }) },
		...soft.map((words) => ({ text: `\n${words}`, color: SOFT, fontSize: 8 }))
	];
}

function tableOf(columns: readonly Column[], rows: readonly (readonly Cell[])[]): Content {
	const sum = columns.reduce((all, { width = 1 }) => all + width, 0);
	const alignment = (column: number) =>
		(columns[column]!.figures ? 'right' : 'left') as 'left' | 'right';
	const head: TableCell[] = columns.map(({ words }, i) => ({
		text: words,
		bold: true,
		alignment: alignment(i)
	}));
	return {
		margin: [0, 2, 0, 5],
		fontSize: 8.5,
		table: {
			headerRows: 1,
			keepWithHeaderRows: 1,
			dontBreakRows: true,
			widths: columns.map(({ width = 1 }) => `${(100 * width) / sum}%`),
			body: [
				head,
				...rows.map((row) =>
					row.map((one, i): TableCell => ({ text: runs(one), alignment: alignment(i) }))
				)
			]
		},
		layout: {
			hLineWidth: (line) => (line === 0 ? 0 : 0.5),
			vLineWidth: () => 0,
			hLineColor: () => RULE,
			paddingLeft: (column) => (column === 0 ? 0 : 4),
			paddingRight: () => 4
		}
	};
}

function picturesOf(
	list: readonly { readonly id: string; readonly words: string }[],
	pictures: ReadonlyMap<string, Uint8Array>
): Content {
	const rows: Content[] = [];
	for (let i = 0; i < list.length; i += 3) {
		rows.push({
			columnGap: 8,
			unbreakable: true,
			margin: [0, 4, 0, 4],
			columns: list.slice(i, i + 3).map(({ id, words }) => ({
				width: PICTURE_WIDTH,
				stack: [
					pictures.has(id)
						? { image: id, width: PICTURE_WIDTH }
						: { text: MISSING_PICTURE, italics: true },
					{ text: words, color: SOFT, fontSize: 8 }
				]
			}))
		} as Content);
	}
	return { stack: rows };
}
