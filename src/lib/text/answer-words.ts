import { type Quantity, QUANTITY_FACTS } from '$core/visit';
import type { ArrayRecord } from '$core/record';
import type { WithheldBecause } from '$core/visit-plan';
import { placeOfDefect } from '$core/inspection';
import { speakFor } from '$lib/messages/text';
import type { Assessment, Unexplained } from '$core/diagnosis';
import { figureOf } from './format';

/** Tests that a defect or the order of tests may forbid. */
const WITHHELD_TESTS: Readonly<Partial<Record<Quantity, string>>> = {
	'insulation-wet': 'Wet insulation test',
	'cover-current': 'Shading test'
};
const WITHHELD_WORDS: Readonly<Record<WithheldBecause, (where: string) => string>> = {
	'broken-glass': (where) => `broken glass${where}. Keep water and hands off; isolate the string.`,
	'damaged-equipment': (where) => `an immediate defect${where}. Isolate and repair it first.`,
	'dry-tests-first': () => 'measure pole-to-earth voltages or insulation resistance dry first.',
	'insulation-first': (where) =>
		`an immediate defect${where}. Isolate the string and measure its insulation resistance before a connector is opened.`
};

const labelOf = ({ strings }: Pick<ArrayRecord, 'strings'>, id: string) =>
	strings.find((string) => string.id === id)?.label ?? '';

/** A reading that nothing found explains, in a sentence. */
export function unexplainedWords(
	{ stringId, quantity, measured, predicted, standardUncertainty }: Unexplained,
	record: ArrayRecord
): string {
	const { unit, symbol } = QUANTITY_FACTS[quantity];
	const figure = (value: number) => `${figureOf(value, unit)} ${unit}`;
	return `${labelOf(record, stringId)} ${symbol}: ${figure(measured)} measured; the most probable cause gives ${figure(predicted)} ± ${figure(2 * standardUncertainty)}. Repeat the measurement.`;
}

/** What is said plainly of the answer as a whole, in sentences. */
export function remarkWords(
	{ remarks, causes }: Pick<Assessment, 'remarks' | 'causes'>,
	record: ArrayRecord
): string[] {
	const words = remarks.flatMap((remark) => {
		switch (remark.code) {
			case 'record-contradicted': {
				const labels = remark.strings.map((id) => labelOf(record, id)).join(', ');
				return [
					`The readings contradict the array record of ${labels || 'these strings'}. Check module type, count and connections there first.`
				];
			}
			case 'not-separable': {
				const cause = causes.find(({ id }) => id === remark.causeId);
				return cause
					? [
							`No test that is proposed tells these apart: ${cause.members.map(({ words }) => words).join('; ')}. Inspect the parts.`
						]
					: [];
			}
			case 'test-withheld': {
				const place = placeOfDefect(record, remark.finding);
				return [
					`${WITHHELD_TESTS[remark.quantity] ?? 'Tests that open a connector are'} withheld: ${WITHHELD_WORDS[remark.because](place ? ` at ${speakFor(record.rules)(place)}` : '')}`
				];
			}
			case 'no-test-worthwhile':
				return ['No further test is worth its time: none would change what to do next.'];
		}
	});
	return [...new Set(words)];
}
