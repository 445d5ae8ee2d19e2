import { inSentence } from '../units';
import { leakWords, locateEarthFault } from '../circuit';
import { placeWords, QUANTITY_FACTS, type Reading } from '../visit';
import type { ArrayRecord } from '../record';
import type { Reason } from './cause';
import { predictAt } from './predict-at';
import { offScale, onScale } from './part-figures';
import { predictUnder, spreadOf } from './string-table';
import type { GroupPosterior, StringPosterior, Weighed } from './posterior';
import type { Suspect } from './suspect';
import { amount, readingPlace } from './words';

/** A difference in standard uncertainties from which a reading speaks for one side. */
const SPEAKS = 1;

/** Every reading of the string against a cause and against the whole string, the heaviest first. */
export function reasonsFor(
	record: ArrayRecord,
	weighed: Weighed,
	posterior: StringPosterior,
	{ group, best }: GroupPosterior
): Reason[] {
	const { string, readings, located } = posterior.case;
	const isFault = weighed.of.faults.length > 0;
	const whole = posterior.classes[0]!.of;
	const found: { readonly reason: Reason; readonly weight: number }[] = [];
	for (const { item, atVoltage } of readings) {
		const { quantity, id } = item.reading;
		const { unit } = QUANTITY_FACTS[quantity];
		const healthy = predictUnder(whole, group, string, quantity, atVoltage, best)!;
		const under = predictUnder(weighed.of, group, string, quantity, atVoltage, best);
		const sigma = Math.max(
			spreadOf(group, string, quantity, atVoltage, healthy),
			under ? spreadOf(group, string, quantity, atVoltage, under) : 0
		);
		const said = `${readingPlace(string.label, quantity)}: ${amount(item.measured, unit)} read${
			atVoltage === null ? '' : ` at ${amount(atVoltage, 'V')}`
		}; a healthy string gives ${amount(healthy.value, unit)}`;
		const zHealthy = Math.abs(item.measured - healthy.value) / sigma;
		if (!isFault) {
			found.push({
				weight: zHealthy,
				reason: {
					readingId: id,
					weighs: zHealthy > 3 ? 'for' : 'neither',
					words: `${said} ± ${amount(2 * sigma, unit)}${zHealthy > 3 ? ', which this figure cannot be' : ', which fits'}.`
				}
			});
			continue;
		}
		if (!under) {
			found.push({
				weight: 0,
				reason: {
					readingId: id,
					weighs: 'neither',
					words: `${said}; with this fault no figure can be predicted.`
				}
			});
			continue;
		}
		const zUnder = Math.abs(item.measured - under.value) / sigma;
		const words = `${said}, with this fault ${amount(under.value, unit)}, both ± ${amount(2 * sigma, unit)}.`;
		found.push(weighing(id, zHealthy, zUnder, words));
	}
	for (const reading of located?.readings ?? []) {
		const reason = locatedReason(record, reading, weighed, posterior);
		if (reason) found.push(reason);
	}
	const earth = earthReason(weighed, posterior);
	if (earth) found.push({ reason: earth, weight: EARTH_FIRST });
	return found.sort((a, b) => b.weight - a.weight).map(({ reason }) => reason);
}

function weighing(
	readingId: string,
	zHealthy: number,
	zUnder: number,
	words: string
): { readonly reason: Reason; readonly weight: number } {
	const difference = zHealthy - zUnder;
	return {
		weight: Math.abs(difference),
		reason: {
			readingId,
			weighs: difference > SPEAKS ? 'for' : difference < -SPEAKS ? 'against' : 'neither',
			words
		}
	};
}

/** Both poles together are the strongest reason of an earth fault. */
const EARTH_FIRST = 1e3;

/** Where both poles to earth place a leak, and how large it is. */
function earthReason(
	{ of }: Weighed,
	{ case: { located, string } }: StringPosterior
): Reason | null {
	const { positive, negative } = located?.earthRead ?? { positive: null, negative: null };
	if (!located || !positive || !negative) return null;
	if (!of.faults.some(({ fault }) => fault.code === 'earth-fault')) return null;
	const read = {
		positive: positive.value,
		negative: negative.value,
		open: located.here.moduleVoltage * string.moduleCount
	};
	const leak = locateEarthFault(read, string.moduleCount, 0.01 * read.open);
	if (!leak.found) return null;
	return {
		readingId: null,
		weighs: 'for',
		words: `${string.label} to earth: positive ${amount(read.positive, 'V')}, negative ${amount(read.negative, 'V')}. One leak of ${leakWords(leak.resistance)} about ${leak.modules.toFixed(1)} modules from the negative end gives this split, with a meter of 10 MΩ.`
	};
}

/** What a reading at one place says of a fault that sits where it is likeliest. */
function locatedReason(
	record: ArrayRecord,
	reading: Reading,
	{ of, places }: Weighed,
	{ case: { located } }: StringPosterior
): { readonly reason: Reason; readonly weight: number } | null {
	const [first] = of.faults;
	if (!located || !first) return null;
	const at = places.indexOf(Math.max(...places));
	const suspect: Suspect = { ...first, at: Math.max(at, 0) };
	const healthy = predictAt(reading, null, located.here);
	const under = predictAt(reading, suspect, located.here);
	if (!healthy || !under || healthy.value === null || under.value === null) return null;
	const { unit, words } = QUANTITY_FACTS[reading.quantity];
	const measured = onScale(reading);
	const zHealthy = Math.abs(measured - healthy.value) / healthy.sigma;
	const zUnder = Math.abs(measured - under.value) / under.sigma;
	const shown = (value: number) => amount(offScale(reading.quantity, value), unit);
	return weighing(
		reading.id,
		zHealthy,
		zUnder,
		`${placeWords(record, reading.place)}, ${inSentence(words)}: ${amount(reading.value, unit)} read; healthy ${shown(healthy.value)}, with this fault ${shown(under.value)}.`
	);
}
