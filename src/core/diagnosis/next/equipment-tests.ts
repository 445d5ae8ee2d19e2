import { inSentence } from '../../units';
import type { ArrayRecord } from '../../record';
import { highestColdVoltage } from '../../isolation';
import { QUANTITY_FACTS, stringOfPlace } from '../../visit';
import type {
	EquipmentPosterior,
	EquipmentProbe,
	EquipmentReading
} from '../equipment/equipment-case';
import { onScale } from '../part-figures';
import { causeWords } from '../words';
import { oneTest, type Named } from './one-test';
import type { ProposedTest } from './proposed-test';

/** A part of which nothing was read or said is not asked about below this chance of a fault. */
const WORTH_ASKING = { told: 0.02, untold: 0.1 };
const WORTH_TAKING = 0.02;

/** Tests at parts that stand apart, by the same measure as all others. */
export function equipmentTests(
	record: ArrayRecord,
	equipmentCases: readonly EquipmentPosterior[]
): ProposedTest[] {
	const ceiling = highestColdVoltage(record)?.voltage ?? 0;
	return equipmentCases.flatMap(({ of, chances, read, told }) => {
		const faulty = 1 - chances[0]!;
		if (faulty < (told ? WORTH_ASKING.told : WORTH_ASKING.untold)) return [];
		const taken = new Map(read.map((one) => [one.probe, one]));
		return of.probes.flatMap((probe) => {
			const before = taken.get(probe);
			return (
				oneTest({
					record,
					place: probe.place,
					quantity: probe.quantity,
					state: probe.state,
					possibilities: before ? againOrNot(before) : possibleAt(probe, of, chances),
					stringId: stringOfPlace(probe.place),
					called: null,
					besides: '',
					least: WORTH_TAKING,
					ceiling,
					again: before !== undefined
				}) ?? []
			);
		});
	});
}

/** What each state would show at a probe. */
function possibleAt(
	probe: EquipmentProbe,
	{ states, where }: EquipmentPosterior['of'],
	chances: readonly number[]
): Named[] {
	return states.flatMap(({ code }, s): Named[] => {
		const predicted = probe.predicted(code);
		if (!predicted || predicted.value === null) return [];
		const { value, sigma } = predicted;
		const words = code === 'healthy' ? `${where} is as it should be` : inSentence(causeWords(code));
		return [{ weight: chances[s]!, value, sigma, words, leaves: [code] }];
	});
}

/** A figure that is wrong by some chance: taken again it shows whether it was. */
function againOrNot({ reading, probe, wrong }: EquipmentReading): Named[] {
	const sound = probe.predicted('healthy');
	if (!sound || sound.value === null) return [];
	const { unit } = QUANTITY_FACTS[reading.quantity];
	const figure = `${reading.value} ${unit}`.trim();
	return [
		{
			weight: wrong,
			value: sound.value,
			sigma: sound.sigma,
			words: 'the first figure was wrong and is replaced',
			leaves: ['healthy']
		},
		{
			weight: 1 - wrong,
			value: onScale(reading),
			sigma: sound.sigma,
			words: `as before, near ${figure}: the fault is there`,
			leaves: []
		}
	];
}
