import { inSentence } from '$core/units';
import { isRead, type ReadPlace } from '$core/assessment';
import { placeWords, QUANTITY_FACTS, type Unit } from '$core/visit';
import type { ArrayRecord } from '$core/record';
import type { Assessment } from '$core/diagnosis';
import { readingFigure } from '$lib/text/reading-figure';
import { figureOf, signed, VERDICT_LABELS } from '$lib/text/format';
import { cell, heading, soft, type Block } from './block';

/** Every reading with what was expected, its band, its verdict and what it means; then those held to a limit. */
export function readingsBlocks(assessment: Assessment, record: ArrayRecord): Block[] {
	const read = assessment.places.filter(isRead);
	const labelOf = (id: string) => record.strings.find((string) => string.id === id)?.label ?? '';
	const { fail, marginal } = assessment.thresholds;
	const blocks: Block[] = [];
	if (read.length > 0) {
		blocks.push(
			heading('Readings'),
			{
				kind: 'table',
				columns: [
					{ words: 'Place', width: 0.8 },
					{ words: 'Read', figures: true },
					{ words: 'Expected', figures: true, width: 1.3 },
					{ words: 'Difference', figures: true },
					{ words: 'Verdict', width: 0.8 },
					{ words: 'What it means', width: 2 }
				],
				rows: read.map((place) => {
					const { reading, stringId, quantity } = place;
					const { unit, symbol } = QUANTITY_FACTS[quantity];
					return [
						cell(`${labelOf(stringId)} ${symbol}`),
						cell(`${figureOf(reading.value, unit)} ${unit}`),
						...comparisonCells(place, unit),
						cell(meaningOf(place))
					];
				})
			},
			soft(
				`Open-circuit voltage: string isolated, at the string side of the fuse. Operating current: inverter running, at the voltage stated. Expected ± 2 standard uncertainties; Marginal beyond ${marginal.toFixed(1)}, Fail beyond ${fail.toFixed(1)}.`
			)
		);
	}
	if (assessment.limits.length > 0) {
		blocks.push(heading('Against a limit'), {
			kind: 'table',
			columns: [
				{ words: 'Place', width: 1.6 },
				{ words: 'Read', figures: true },
				{ words: 'Limit', width: 1.6 },
				{ words: 'Verdict', width: 0.8 },
				{ words: 'What it means', width: 2 }
			],
			rows: assessment.limits.map(({ reading, verdict, words, limit, source }) => {
				const { words: name } = QUANTITY_FACTS[reading.quantity];
				return [
					cell(`${placeWords(record, reading.place)} ${inSentence(name)}`),
					cell(readingFigure(reading)),
					cell(limit, limit ? [source] : []),
					cell(VERDICT_LABELS[verdict]),
					cell(words)
				];
			})
		});
	}
	return blocks;
}

/** What was expected, the difference, and the verdict; empty where there is nothing to compare with. */
function comparisonCells(place: ReadPlace, unit: Unit) {
	if (place.state === 'not-assessed') {
		return [cell(''), cell(''), cell(VERDICT_LABELS['not-assessed'])];
	}
	const { value, standardUncertainty } = place.expected;
	return [
		cell(`${figureOf(value, unit)} ± ${figureOf(2 * standardUncertainty, unit)}`),
		cell(`${signed(place.difference, unit === 'V' ? 1 : 2)} ${unit}`),
		cell(VERDICT_LABELS[place.verdict])
	];
}

function meaningOf(place: ReadPlace): string {
	if (place.state === 'judged' && place.counted) return place.counted.words;
	const { atVolts: atVoltage } = place.reading;
	if (atVoltage !== null) return `at ${atVoltage} V`;
	return place.state === 'not-assessed' ? place.reason : '';
}
