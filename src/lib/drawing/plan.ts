import { type ArrayRecord, cellsOf, type Field, type StringRecord } from '$core/record';
import type { StringColour } from '$lib/ui/string-colours';
import { rectangle, type Drawing, type Group, type Shape } from './drawing';

const EDGE = 12;
const SHORT = 34;
const LONG = 46;

/** How large the cells of a field are drawn, px. */
export interface Frame {
	readonly id: string;
	readonly edge: number;
	readonly wide: number;
	readonly high: number;
	readonly width: number;
	readonly height: number;
}

export function frameOf({ id, lying, rows, columns }: Field): Frame {
	const [wide, high] = lying ? [LONG, SHORT] : [SHORT, LONG];
	const [width, height] = [columns * wide + 2 * EDGE, rows * high + 2 * EDGE];
	return { id, edge: EDGE, wide, high, width, height };
}

/** Outlines of all cells of a field. */
export function freeCells({ rows, columns }: Field, { edge, wide, high }: Frame): string {
	return Array.from({ length: rows * columns }, (_, i) => {
		const x = edge + (i % columns) * wide;
		const y = edge + Math.floor(i / columns) * high;
		return rectangle(x + 4, y + 4, wide - 8, high - 8);
	}).join('');
}

/** A string's modules on a field. */
export interface StringShapes {
	/** Its modules as one path: thousands of modules are a few hundred shapes. */
	readonly glass: string;
	/** The line that joins them in electrical order. */
	readonly join: string;
	/** Corner of its first module here. */
	readonly first: { readonly x: number; readonly y: number };
}

/** Null where none of its modules lies on the field. */
export function stringShapes(
	{ spans, moduleCount }: StringRecord,
	{ id, edge, wide, high }: Frame
): StringShapes | null {
	const cells = cellsOf(spans, moduleCount).flatMap((cell, i) =>
		cell?.field === id
			? [{ x: edge + cell.column * wide, y: edge + cell.row * high, number: i + 1 }]
			: []
	);
	const first = cells[0];
	if (!first) return null;
	return {
		first,
		glass: cells.map(({ x, y }) => rectangle(x + 2, y + 2, wide - 4, high - 4)).join(''),
		join: cells
			.map(({ x, y, number }, i) => {
				const joined = i > 0 && cells[i - 1]!.number === number - 1;
				return `${joined ? 'L' : 'M'}${x + wide / 2} ${y + high * 0.72}`;
			})
			.join('')
	};
}

/** The plate with a string's mark on its first module, px: as wide as the mark, within the field. */
export function nameplateOf(
	{ label }: Pick<StringRecord, 'label'>,
	first: { readonly x: number; readonly y: number },
	{ width: fieldWidth }: Pick<Frame, 'width'>
): { readonly x: number; readonly y: number; readonly width: number; readonly height: number } {
	const width = 8 + label.length * 8.6;
	const x = Math.max(2, Math.min(first.x + 4, fieldWidth - width - 4));
	return { x, y: first.y + 4, width, height: 17 };
}

/** A field with its strings, each in its colour and with its mark. */
export function planDrawing(
	field: Field,
	{ strings }: Pick<ArrayRecord, 'strings'>,
	colours: ReadonlyMap<string, StringColour>
): Drawing {
	const frame = frameOf(field);
	const ground: Shape[] = [
		{ look: 'ground', d: rectangle(1, 1, frame.width - 2, frame.height - 2) },
		{ look: 'free', d: freeCells(field, frame) }
	];
	const laid = strings.flatMap((string): Group[] => {
		const shapes = stringShapes(string, frame);
		if (!shapes) return [];
		const { fill, ink } = colours.get(string.id)!;
		const nameplate = nameplateOf(string, shapes.first, frame);
		return [
			{
				name: string.label,
				x: 0,
				y: 0,
				shapes: [
					{ look: 'glass', d: shapes.glass, colour: fill },
					{ look: 'join', d: shapes.join, colour: ink },
					{
						look: 'mark',
						d: rectangle(nameplate.x, nameplate.y, nameplate.width, nameplate.height),
						colour: ink
					},
					{
						look: 'on-mark',
						x: nameplate.x + nameplate.width / 2,
						y: nameplate.y + 13,
						words: string.label,
						colour: fill
					}
				]
			}
		];
	});
	return {
		width: frame.width,
		height: frame.height,
		groups: [{ name: '', x: 0, y: 0, shapes: ground }, ...laid]
	};
}
