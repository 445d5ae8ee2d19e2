import { describe, expect, it } from 'vitest';
import { cellsOf, oneLine } from '$core/record';
import { coloursOf } from '$lib/ui/string-colours';
import { ALL_SITES } from '../../../tests/support/sites';
import { diagramDrawing } from './diagram';
import { escapeMarkup } from './escape';
import { planDrawing, nameplateOf } from './plan';
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

describe('the plate with a string’s mark', () => {
	const frame = { width: 480 };
	it.each(['A1', '12.10', 'Roof east 4'])('is as wide as %s', (label) => {
		const { width } = nameplateOf({ label }, { x: 40, y: 20 }, frame);
		// Letters of 14 px are 8.4 px wide in the fixed face.
		expect(width).toBeGreaterThan(8.4 * label.length + 6);
	});

	it('stays within its field, whichever module comes first', () => {
		for (const x of [2, 200, 440, 470]) {
			const nameplate = nameplateOf({ label: '12.10' }, { x, y: 20 }, frame);
			expect(nameplate.x).toBeGreaterThan(0);
			expect(nameplate.x + nameplate.width).toBeLessThan(frame.width);
		}
		expect(
			nameplateOf({ label: 'A very long mark' }, { x: 4, y: 4 }, { width: 60 }).x
		).toBeGreaterThan(0);
	});
});
