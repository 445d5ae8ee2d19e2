import { type ArrayRecord, oneLine } from '$core/record';
import { diagramDrawing } from '$lib/drawing/diagram';
import { planDrawing } from '$lib/drawing/plan';
import { coloursOf } from '$lib/ui/string-colours';
import { heading, soft, type Block } from './block';

/** The array as a diagram, and each field with its strings as a plan. */
export function drawingBlocks(record: ArrayRecord, site: string): Block[] {
	const colours = coloursOf(record.strings);
	const diagram = oneLine(record);
	const blocks: Block[] = [];
	if (diagram.nodes.length > 0) {
		blocks.push(
			heading('One-line diagram'),
			{
				kind: 'drawing',
				drawing: diagramDrawing(diagram, colours),
				words: `One-line diagram of ${site}`
			},
			soft(
				'Drawn from the array record; what is unknown is marked. It does not show what is switched off or dead; only a reading proves it.'
			)
		);
	}
	for (const field of record.fields) {
		const laid = record.strings.some(({ spans }) => spans.some((span) => span.field === field.id));
		if (!laid) continue;
		blocks.push(heading(`Plan of ${field.name}`), {
			kind: 'drawing',
			drawing: planDrawing(field, record, colours),
			words: `Plan of ${field.name} with its strings`
		});
	}
	return blocks;
}
