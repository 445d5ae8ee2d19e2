import { type Place, placeKey, stringPlace } from '../../visit';
import { type CauseCode, rateOf } from '../../faults';
import { isAcBranch } from '../../record';
import type { Predicted } from '../evidence';
import { messageFactor } from '../message';
import { figure, onScale } from '../part-figures';
import { statesOf, type EquipmentCase } from './equipment-case';
import { probeOf, type EquipmentBasis } from './basis';

/** log10 of Mohm: sound insulation when wet, and damaged; judgement. */
const WET = { sound: 1.4, soundSpread: 0.7, damaged: -0.7, damagedSpread: 0.7 };
/** From here on an earth fault that was found explains the message. */
const FOUND = 0.9;
/** What leaks in the dry leaks a little more when wet. */
const WETTER = { by: 0.4, spread: 0.6 };

/**
 * What leaks in the wet alone: a cable whose insulation is through, or moisture on dewy mornings. A
 * leak that is there in the dry too is an earth fault, and weighed with its string.
 */
export function wetLeaks(basis: EquipmentBasis): EquipmentCase[] {
	const strings = basis.record.strings.filter((string) => !isAcBranch(string));
	if (strings.length === 0) return [];
	const single = strings.map((string) =>
		leaksAt(basis, stringPlace(string.id), { string: string.id }, string.label, 1)
	);
	const all = leaksAt(basis, { kind: 'array' }, { site: true }, 'the array', strings.length);
	return [...single, all].filter(
		({ probes }) =>
			basis.standing.has(placeKey(probes[0]!.place, 'insulation-wet')) ||
			// By the message alone the whole array is asked first.
			(probes[0]!.place.kind === 'array' &&
				basis.earthFound < FOUND &&
				messageFactor('cable-damaged', basis.says) > 1)
	);
}

function leaksAt(
	{ standing, rates, says, earthFound }: EquipmentBasis,
	place: Place,
	at: EquipmentCase['place'],
	where: string,
	strings: number
): EquipmentCase {
	const dry = standing.get(placeKey(place, 'insulation-resistance'));
	const sound: Predicted = dry
		? figure(onScale(dry) - WETTER.by, WETTER.spread, 4)
		: figure(WET.sound, WET.soundSpread, 4);
	const damaged = figure(WET.damaged, WET.damagedSpread, 4);
	const fault = (code: Extract<CauseCode, 'cable-damaged' | 'moisture-intermittent'>) => ({
		code,
		prior: Math.min(strings * rateOf(code, rates), 0.2),
		said: 1 + (messageFactor(code, says) - 1) * (1 - earthFound)
	});
	return {
		place: at,
		where,
		states: statesOf([fault('cable-damaged'), fault('moisture-intermittent')]),
		probes: [probeOf(place, 'insulation-wet', (code) => (code === 'healthy' ? sound : damaged))],
		reasons: []
	};
}
