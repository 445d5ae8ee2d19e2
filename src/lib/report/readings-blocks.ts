import { placeWords, QUANTITY_FACTS } from '$core/visit';
import type { ArrayRecord } from '$core/record';
import type { Assessment } from '$core/diagnosis';
import { readingFigure } from '$lib/text/reading-figure';
import { figureOf, signed, VERDICT_LABELS } from '$lib/text/format';
import { cell, heading, soft, type Block } from './block';

/** Every reading with what was expected, its band, its verdict and what it means; then those held to a limit. */
export function readingsBlocks(assessment: Assessment, record: ArrayRecord): Block[] {
	const read = assessment.places.filter((place) => place.reading);
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
				rows: read.map(
					({ reading, stringId, quantity, expected, difference, verdict, counted, missing }) => {
						const { unit, symbol } = QUANTITY_FACTS[quantity];
						const volts = reading?.atVolts ?? null;
						return [
							cell(`${labelOf(stringId)} ${symbol}`),
							cell(`${figureOf(reading?.value ?? 0, unit)} ${unit}`),
							cell(
								expected
									? `${figureOf(expected.value, unit)} ± ${figureOf(2 * expected.standardUncertainty, unit)}`
									: ''
							),
							cell(
								difference === null ? '' : `${signed(difference, unit === 'V' ? 1 : 2)} ${unit}`
							),
							cell(verdict ? VERDICT_LABELS[verdict] : ''),
							cell(counted?.words ?? (volts === null ? (missing ?? '') : `at ${volts} V`))
						];
					}
				)
			},
			soft(
				`Open circuit: isolated, at the source side of the fuse. Running: inverter on, at the volts stated. Expected ± 2 standard uncertainties; Marginal beyond ${marginal.toFixed(1)}, Fail beyond ${fail.toFixed(1)}.`
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
					cell(`${placeWords(record, reading.place)} ${name.toLowerCase()}`),
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
