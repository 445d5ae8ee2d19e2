import { inSentence } from '../../units';
import { placeWords, QUANTITY_FACTS } from '../../visit';
import type { CauseCode } from '../../faults';
import type { ArrayRecord } from '../../record';
import type { Cause, Reason } from '../cause';
import { lineOf } from '../line';
import { offScale, onScale } from '../part-figures';
import { amount } from '../words';
import type { EquipmentPosterior, EquipmentReading } from './equipment-case';

/** Below this a part of which nothing was read is not worth a line. */
const WORTH_A_LINE = 0.02;
/** States whose readings differ by less than this in ln cannot be told apart. */
const ALIKE = 1.5;
/** A difference in standard uncertainties from which a reading speaks for one side. */
const SPEAKS = 1;

/** The lines of parts that stand apart, unsorted. */
export function equipmentCauses(
	record: ArrayRecord,
	equipmentCases: readonly EquipmentPosterior[]
): Cause[] {
	return equipmentCases
		.filter(({ told }) => told)
		.flatMap((posterior) =>
			linesOf(posterior).map((states): Cause => {
				const { of, chances } = posterior;
				const members = states.map((s) => ({
					code: of.states[s]!.code,
					place: of.place,
					probability: chances[s]!,
					severity: '',
					size: null
				}));
				const leading = of.states[states[0]!]!.code;
				const reasons = [
					...of.reasons,
					...posterior.read.map((one) => reasonOf(record, one, leading))
				];
				return { ...lineOf(members, of.where, reasons), where: of.where };
			})
		)
		.filter(({ probability }) => probability >= WORTH_A_LINE);
}

/** Indices of the states of each line, the likeliest first. */
function linesOf({ of, chances, logs }: EquipmentPosterior): number[][] {
	const lines: number[][] = [];
	const faults = of.states.map((_, s) => s).slice(1);
	for (const s of faults.sort((a, b) => chances[b]! - chances[a]!)) {
		const mate = lines.find(([first]) => Math.abs(logs[first!]! - logs[s]!) < ALIKE);
		if (mate) mate.push(s);
		else lines.push([s]);
	}
	return lines;
}

/** What a reading says of a fault against a sound part. */
function reasonOf(
	record: ArrayRecord,
	{ reading, probe }: EquipmentReading,
	code: CauseCode
): Reason {
	const { unit, words } = QUANTITY_FACTS[reading.quantity];
	const said = `${placeWords(record, reading.place)}, ${inSentence(words)}: ${amount(reading.value, unit)} read`;
	const sound = probe.predicted('healthy');
	const fault = probe.predicted(code);
	if (!sound || !fault || sound.value === null || fault.value === null) {
		return { readingId: reading.id, weighs: 'neither', words: `${said}.` };
	}
	const measured = onScale(reading);
	const nearer =
		Math.abs(measured - sound.value) / sound.sigma - Math.abs(measured - fault.value) / fault.sigma;
	const shown = (value: number) => amount(offScale(reading.quantity, value), unit);
	return {
		readingId: reading.id,
		weighs: nearer > SPEAKS ? 'for' : nearer < -SPEAKS ? 'against' : 'neither',
		words: `${said}; sound about ${shown(sound.value)}, with this fault about ${shown(fault.value)}.`
	};
}
