import { escapeMarkup } from './escape';
import type { Drawing, Look, Shape } from './drawing';

const STROKES: Readonly<Partial<Record<Look, string>>> = {
	wire: 'fill="none" stroke="#111" stroke-width="1.5"',
	symbol: 'fill="none" stroke="#111" stroke-width="1.5"',
	box: 'fill="#fff" stroke="#111" stroke-width="1.5"',
	back: 'fill="#fff"',
	ground: 'fill="#f4f4f2" stroke="#777" stroke-width="1.5"',
	free: 'fill="none" stroke="#aaa" stroke-width="1"',
	glass: 'stroke="#111" stroke-width="1"',
	join: 'fill="none" stroke-width="2"',
	mark: 'stroke="#111" stroke-width="1"'
};

const LETTERS: Readonly<Partial<Record<Look, string>>> = {
	words: 'font-size="12.5" fill="#111"',
	title: 'font-size="14.5" font-weight="bold" fill="#111"',
	quiet: 'font-size="11" fill="#444"',
	'on-mark': 'font-size="12.5" font-weight="bold" text-anchor="middle"'
};

/**
 * A drawing as SVG in the colours of paper.
 *
 * @param words what it shows, for one who does not see it
 */
export function drawingSvg({ width, height, groups }: Drawing, words: string): string {
	const inside = groups
		.map(
			({ x, y, shapes }) =>
				`<g transform="translate(${x} ${y})">${shapes.map(shapeSvg).join('')}</g>`
		)
		.join('');
	return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" role="img" aria-label="${escapeMarkup(words)}">${inside}</svg>`;
}

function shapeSvg({ look, d, words, x = 0, y = 0, colour }: Shape): string {
	if (words !== undefined) {
		const ink = colour ? ` fill="${colour}"` : '';
		return `<text x="${x}" y="${y}" ${LETTERS[look]}${ink}>${escapeMarkup(words)}</text>`;
	}
	const kind = look === 'join' ? 'stroke' : 'fill';
	const own = colour ? ` ${kind}="${colour}"` : '';
	const moved = x || y ? ` transform="translate(${x} ${y})"` : '';
	return `<path d="${d}"${moved} ${STROKES[look]}${own}/>`;
}
