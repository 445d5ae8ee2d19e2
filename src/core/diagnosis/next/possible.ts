import type { CauseCode } from '../../faults';
import type { StringPosterior } from '../posterior';
import { placesOf, type Suspect } from '../suspect';
import type { StringClass } from '../string-class';

/** One thing that may be so at a string: whole, or one fault at one place. */
export interface Possible {
	readonly code: CauseCode;
	/** Null: whole. */
	readonly suspect: Suspect | null;
	/** The class it is of, with which readings of the whole string are predicted. */
	readonly of: StringClass;
	readonly index: number;
	readonly probability: number;
}

/** Less than this is not asked about. */
const WORTH_ASKING = 5e-4;

/** Everything that may be so at a string, each code by its likeliest size, at each of its places. */
export function possibleAt(string: StringPosterior): Possible[] {
	const { case: one, classes } = string;
	const whole = classes[0]!;
	const found: Possible[] = [
		{ code: 'healthy', suspect: null, of: whole.of, index: 0, probability: whole.probability }
	];
	const byFault = new Map<string, { probability: number; best: number; places: number[] }>();
	classes.forEach(({ of, probability, places }, c) => {
		const [first] = of.faults;
		if (!first) return;
		const entry = byFault.get(first.fault.code) ?? { probability: 0, best: c, places: [] };
		entry.probability += probability;
		if (probability > classes[entry.best]!.probability) entry.best = c;
		places.forEach((share, at) => {
			entry.places[at] = (entry.places[at] ?? 0) + share * probability;
		});
		byFault.set(first.fault.code, entry);
	});
	const build = { string: one.string, type: one.type };
	for (const { probability, best, places } of byFault.values()) {
		if (probability < WORTH_ASKING) continue;
		const { of } = classes[best]!;
		const [first] = of.faults;
		const count = placesOf(first!.fault.spread, build);
		const total = places.reduce((sum, share) => sum + share, 0);
		for (let at = 0; at < count; at++) {
			const share = total > 0 ? (places[at] ?? 0) / total : 1 / count;
			found.push({
				code: first!.fault.code,
				suspect: { ...first!, at },
				of,
				index: best,
				probability: probability * share
			});
		}
	}
	const sum = found.reduce((total, { probability }) => total + probability, 0);
	return found.map((one) => ({ ...one, probability: one.probability / sum }));
}
