import type { Diagram, DiagramNode } from '$core/record';
import { PART_SYMBOLS } from '$lib/ui/part-symbols';
import type { StringColour } from '$lib/ui/string-colours';
import { rectangle, type Drawing, type Group, type Shape } from './drawing';

const BOX = { width: 150, pitch: 174, row: 132 };
const EDGE = 14;
const SYMBOL_Y = 16;
/** Height at which leads enter a box. */
const LEAD_Y = SYMBOL_Y + 14;
/** Marks of single strings that stand in a box. */
const MARKS = 4;
const MARK = { pitch: 34, width: 31 };
/** Characters that a line of a box holds. */
const LINE = 24;
const LINE_HEIGHT = 14.5;

/** The one-line diagram of an array, from left to right. */
export function diagramDrawing(
	diagram: Diagram,
	colours: ReadonlyMap<string, StringColour>
): Drawing {
	const left = ({ column }: DiagramNode) => EDGE + column * BOX.pitch;
	const top = ({ row }: DiagramNode) => EDGE + row * BOX.row;
	const byId = new Map(diagram.nodes.map((node) => [node.id, node]));
	const wires = diagram.links.flatMap(({ from, to, words }): Shape[] => {
		const a = byId.get(from);
		const b = byId.get(to);
		if (!a || !b) return [];
		const start = left(a) + BOX.width;
		const [ya, yb] = [top(a) + LEAD_Y, top(b) + LEAD_Y];
		// Over a vertical before the box to which it leads.
		const wire: Shape = { look: 'wire', d: `M${start} ${ya}H${left(b) - 22}V${yb}H${left(b)}` };
		return words ? [wire, { look: 'quiet', x: start + 3, y: ya - 5, words }] : [wire];
	});
	return {
		width: 2 * EDGE + (diagram.columns - 1) * BOX.pitch + BOX.width,
		height: 2 * EDGE + diagram.rows * BOX.row,
		groups: [
			{ name: '', x: 0, y: 0, shapes: wires },
			...diagram.nodes.map((node): Group => ({
				name: node.title,
				x: left(node),
				y: top(node),
				shapes: [...symbolOf(node, colours), ...linesOf(node)]
			}))
		]
	};
}

function symbolOf(node: DiagramNode, colours: ReadonlyMap<string, StringColour>): Shape[] {
	if (node.of.kind === 'part') {
		return [
			{ look: 'wire', d: `M0 ${LEAD_Y}h55m40 0h55` },
			{ look: 'back', d: rectangle(53, SYMBOL_Y - 6, 44, 40) },
			{ look: 'symbol', d: PART_SYMBOLS[node.of.part.kind], x: 55, y: SYMBOL_Y },
			{ look: 'title', x: 2, y: 9, words: node.title }
		];
	}
	const { strings } = node.of;
	const marks = strings.slice(0, MARKS).flatMap(({ id, label }, i): Shape[] => {
		const { fill, ink } = colours.get(id)!;
		const x = i * MARK.pitch;
		return [
			{ look: 'mark', d: rectangle(x, -8, MARK.width, 19), colour: fill },
			{ look: 'on-mark', x: x + MARK.width / 2, y: 6.5, words: label, colour: ink }
		];
	});
	const more = strings.length - MARKS;
	return [
		{ look: 'wire', d: `M0 ${LEAD_Y}h${BOX.width}` },
		...[0, 1, 2, 3].map((i): Shape => {
			const d = `M${26 + i * 22} ${SYMBOL_Y + 3}h17v22h-17zm3 0l5.5 7l5.5 -7`;
			return { look: 'box', d };
		}),
		...marks,
		...(more > 0
			? [{ look: 'words', x: MARKS * MARK.pitch, y: 6.5, words: `+${more}` } as const]
			: [])
	];
}

function linesOf({ lines }: DiagramNode): Shape[] {
	return lines
		.flatMap(wrapped)
		.map((words, i) => ({ look: 'words', x: 2, y: SYMBOL_Y + 46 + i * LINE_HEIGHT, words }));
}

/** A line broken at its blanks, so that nothing is cut. */
function wrapped(line: string): string[] {
	const lines: string[] = [];
	for (const word of line.split(' ')) {
		const last = lines.at(-1);
		if (last !== undefined && last.length + word.length < LINE)
			lines[lines.length - 1] = `${last} ${word}`;
		else lines.push(word);
	}
	return lines;
}
