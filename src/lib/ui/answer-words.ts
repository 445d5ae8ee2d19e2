import { QUANTITY_FACTS } from '$core/expectation/quantity';
import type { ArrayRecord } from '$core/record/record';
import type { Assessment } from '$core/trace/assess';
import type { Unexplained } from '$core/trace/unexplained';
import { figureOf } from './words';

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
	return remarks.flatMap((remark) => {
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
			case 'no-test-worthwhile':
				return ['No further test is worth its time: none would change what to do next.'];
		}
	});
}
