import type { Nameplate } from './nameplate';

/** A part of a model code and what it often stands for; makers differ, the label decides. */
export interface CodePart {
	readonly part: string;
	readonly words: string;
}

/** Cell counts that modules have; half-cut ones carry two groups in parallel. Common practice. */
const WHOLE_CELLS = [32, 36, 40, 48, 54, 60, 66, 72, 80, 96, 128];
const HALF_CELLS = [88, 104, 108, 120, 132, 144, 156, 160];

/** Letters as they often stand in model codes; common practice, no source. */
const LETTERS: readonly (readonly [RegExp, string])[] = [
	[/^(H|HC|HL|HCM|HCP)$/i, 'half-cut cells: two groups in parallel'],
	[/^(BF|BI|BG|BFG|BB|TB|BT)$/i, 'bifacial: the rear side produces too'],
	[/^(DG|GG|G)$/i, 'glass on both sides'],
	[/^(M|MM|MR)$/i, 'monocrystalline cells'],
	[/^(P|PP|PE)$/i, 'polycrystalline cells'],
	[/^(N|NT|T|TC|TOP)$/i, 'n-type cells'],
	[/^(HJT|HIT|HJ)$/i, 'heterojunction cells'],
	[/^(FB|AB|BLK|B)$/i, 'black frame or back']
];

/** How many of a label's half-cut cells are in series: half of the cells counted on the glass. */
export function cellsInSeries(counted: number): number {
	return HALF_CELLS.includes(counted) ? counted / 2 : counted;
}

/** Whether a count on the glass is one of half-cut cells. */
export function isHalfCut(counted: number): boolean {
	return HALF_CELLS.includes(counted);
}

/**
 * Parts of a module's model code in general words: power, cells, half-cut, bifacial, technology.
 *
 * @param code as on the label, for example "SKM-335-M60H BF"
 * @param pmax W on the label, if it is known: the number that agrees is the power
 */
export function readModelCode(code: string, pmax?: Nameplate['pmax']): CodePart[] {
	const pieces = code.match(/\d+|\p{L}+/gu) ?? [];
	const parts: CodePart[] = [];
	let first = true;
	for (const piece of pieces) {
		if (/^\d+$/.test(piece)) {
			const words = numberWords(Number(piece), pmax);
			if (words) parts.push({ part: piece, words });
			continue;
		}
		const known = LETTERS.find(([pattern]) => pattern.test(piece));
		if (known) parts.push({ part: piece, words: known[1] });
		else if (first) parts.push({ part: piece, words: 'the maker’s or the series’ name' });
		first = false;
	}
	return parts;
}

function numberWords(value: number, pmax: number | undefined): string | null {
	if (pmax !== undefined && Math.abs(value - pmax) < 1) return `${value} W, as on the label`;
	if (HALF_CELLS.includes(value)) {
		return `${value} half-cut cells: ${value / 2} in series, twice in parallel`;
	}
	if (WHOLE_CELLS.includes(value)) return `${value} cells in series`;
	if (value >= 5 && value <= 800 && value % 5 === 0) {
		return pmax === undefined
			? `probably ${value} W`
			: `a power of ${value} W would not agree with the label`;
	}
	return null;
}
