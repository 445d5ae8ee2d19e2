import { escapeMarkup } from '$lib/drawing/escape';
import { drawingSvg } from '$lib/drawing/svg';
import type { Block, Cell, Picture, Report } from './block';

const STYLE = `body{font:15px/1.45 system-ui,sans-serif;color:#111;max-width:62rem;margin:2rem auto;padding:0 1rem}
h1{font-size:1.7rem;margin:0}h2{font-size:1.2rem;margin:1.4rem 0 .4rem}h3{font-size:1rem}
table{border-collapse:collapse;width:100%;margin:.4rem 0}th,td{text-align:left;vertical-align:top;padding:.25rem .6rem .25rem 0;border-top:1px solid #bbb}
.n{text-align:right;white-space:nowrap}.s{color:#444;font-size:.92em}.s.b{display:block}dl{display:grid;grid-template-columns:auto 1fr;gap:0 1rem}dd{margin:0}
figure{display:inline-block;margin:.4rem .8rem .4rem 0;max-width:20rem}img{width:100%}svg{max-width:100%;height:auto;font-family:system-ui,sans-serif}.sign{display:flex;gap:3rem;margin-top:4rem}.sign span{flex:1;border-top:1px solid #111}
footer{margin-top:2rem;border-top:1px solid #bbb;overflow-wrap:anywhere}`;

/** What stands in a report where a photograph cannot be decoded. */
export const MISSING_PICTURE = 'This photograph cannot be shown: its file is damaged.';
export const MISSING_PICTURE_HTML = `<p class="s">${MISSING_PICTURE}</p>`;

/**
 * A report as one HTML file that needs nothing else, in pieces: markup, and between it the photographs,
 * whose bytes the caller puts there ({@link pictureHtml}).
 */
export function* reportHtml(report: Report): Generator<string | Picture> {
	const { title, subtitle, facts, blocks, signatures, footer } = report;
	yield `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escapeMarkup(title)}</title><style>${STYLE}</style></head>
<body><header><h1>${escapeMarkup(title)}</h1><p>${escapeMarkup(subtitle)}</p><dl>${facts
		.map(
			([name, value]) => `<dt class="s">${escapeMarkup(name)}</dt><dd>${escapeMarkup(value)}</dd>`
		)
		.join('')}</dl></header>
`;
	for (const block of blocks) {
		if (block.kind === 'pictures') {
			for (const picture of block.pictures) {
				yield '<figure>';
				yield picture;
				yield `<figcaption class="s">${escapeMarkup(picture.words)}</figcaption></figure>`;
			}
			yield '\n';
		} else yield `${blockHtml(block)}\n`;
	}
	yield `<div class="sign">${signatures.map((name) => `<span>${escapeMarkup(name)}</span>`).join('')}</div>
<footer class="s">${escapeMarkup(footer)}</footer></body></html>
`;
}

/** @param source address of the photograph, a data URL as a rule */
export function pictureHtml({ words }: Picture, source: string): string {
	return `<img src="${escapeMarkup(source)}" alt="${escapeMarkup(words)}">`;
}

function blockHtml(block: Exclude<Block, { kind: 'pictures' }>): string {
	switch (block.kind) {
		case 'heading':
			return block.minor
				? `<h3>${escapeMarkup(block.text)}</h3>`
				: `<h2>${escapeMarkup(block.text)}</h2>`;
		case 'text':
			return `<p${block.soft ? ' class="s"' : ''}>${escapeMarkup(block.text)}</p>`;
		case 'list':
			return `<ul>${block.items.map((item) => `<li>${cellHtml(item)}</li>`).join('')}</ul>`;
		case 'table': {
			const kind = (column: number) => (block.columns[column]!.figures ? ' class="n"' : '');
			const head = block.columns
				.map(({ words }, i) => `<th${kind(i)}>${escapeMarkup(words)}</th>`)
				.join('');
			const rows = block.rows
				.map(
					(row) => `<tr>${row.map((one, i) => `<td${kind(i)}>${cellHtml(one)}</td>`).join('')}</tr>`
				)
				.join('');
			return `<table><thead><tr>${head}</tr></thead><tbody>${rows}</tbody></table>`;
		}
		case 'drawing':
			return drawingSvg(block.drawing, block.words);
	}
}

function cellHtml({ text, soft = [], strong }: Cell): string {
	const said = strong ? `<strong>${escapeMarkup(text)}</strong>` : escapeMarkup(text);
	return `${said}${soft.map((words) => ` <span class="s b">${escapeMarkup(words)}</span>`).join('')}`;
}
