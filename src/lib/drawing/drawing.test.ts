import { describe, expect, it } from 'vitest';
import { cellsOf } from '$core/record/field';
import { oneLine } from '$core/record/one-line';
import { coloursOf } from '$lib/ui/string-colours';
import { ALL_SITES } from '../../../tests/support/sites';
import { diagramDrawing } from './diagram';
import { escapeMarkup } from './escape';
import { planDrawing } from './plan';
import { drawingSvg } from './svg';

describe.each(ALL_SITES.map(({ site, record }) => [site.name, record] as const))(
	'%s',
	(name, record) => {
		const colours = coloursOf(record.strings);
		const diagram = diagramDrawing(oneLine(record), colours);

		it('has every box of its diagram inside the drawing, named and joined', () => {
			const boxes = diagram.groups.slice(1);
			expect(boxes.length).toBe(oneLine(record).nodes.length);
			for (const { x, y } of boxes) {
				expect(x >= 0 && x + 150 <= diagram.width).toBe(true);
				expect(y >= 0 && y < diagram.height).toBe(true);
			}
			expect(new Set(boxes.map(({ x, y }) => `${x}/${y}`)).size).toBe(boxes.length);
		});

		it('has every module that is laid on a field on its plan, once', () => {
			for (const field of record.fields) {
				const plan = planDrawing(field, record, colours);
				const glass = plan.groups.flatMap(({ shapes }) =>
					shapes.filter(({ look }) => look === 'glass').map(({ d }) => d!)
				);
				const laid = record.strings.flatMap(({ spans, moduleCount }) =>
					cellsOf(spans, moduleCount).filter((cell) => cell?.field === field.id)
				);
				expect(glass.join('').match(/M/g)?.length ?? 0).toBe(laid.length);
			}
		});

		it('is SVG that says what it shows, with every mark in it', () => {
			const svg = drawingSvg(diagram, `Diagram of ${name}`);
			expect(svg).toContain(`aria-label="Diagram of ${name}"`);
			expect(svg).not.toContain('undefined');
			for (const { mark, kind } of record.parts) {
				if (kind === 'inverter') expect(svg).toContain(escapeMarkup(mark));
			}
		});
	}
);

it('words cannot break out of the markup', () => {
	expect(escapeMarkup('<b a="1">R & D</b>')).toBe('&lt;b a=&quot;1&quot;&gt;R &amp; D&lt;/b&gt;');
});
