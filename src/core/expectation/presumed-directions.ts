import type { StringRecord } from '../record';
import { median } from '../numerics';
import { openCircuitVoltage } from '../module';
import { isDead, moduleAtShift, type GroupReading, type PeerGroup } from './group';
import { rmsOf } from './scatter';

/** Inputs whose currents lie apart by less than this face the same way, relative; Zembo default. */
const LEAST_GAP = 0.06;
/** The gap between two kinds of inputs in standard deviations within one; Zembo default. */
const CLEAR = 4;
/** A single string that reads low is a fault; several on one input that all read low may face another way. */
const STRINGS_AT_LEAST = 2;

/** An input with the currents of its strings, each over what the group expects of it. */
interface InputCurrents {
	readonly strings: readonly StringRecord[];
	readonly ratios: readonly number[];
}

/**
 * Strings whose inputs fall into two clear kinds by their currents: they may face two ways.
 *
 * @returns the strings of each direction, brightest first; a single list where there is nothing to ask
 */
export function presumedDirections(
	group: Pick<PeerGroup, 'strings' | 'shared' | 'estimates' | 'series' | 'model' | 'conditions'>
): readonly (readonly StringRecord[])[] {
	const {
		strings,
		shared,
		estimates: [{ shift }],
		series
	} = group;
	const together = [strings];
	const openVoltage = openCircuitVoltage(moduleAtShift(group, shift));
	const inputs = new Map<string, InputCurrents>();
	for (const string of strings) {
		const item = [...shared.values()].find(
			(one) =>
				one.string === string &&
				one.reading.quantity !== 'open-circuit-voltage' &&
				!isDead(group, one) &&
				isPlausible(one, openVoltage)
		);
		const input = string.input ?? `string ${string.id}`;
		const known = inputs.get(input) ?? { strings: [], ratios: [] };
		const ratio = item ? item.measured / item.at(shift) : null;
		inputs.set(input, {
			strings: [...known.strings, string],
			ratios: ratio === null ? known.ratios : [...known.ratios, ratio]
		});
	}
	const read = [...inputs.values()].filter(({ ratios }) => ratios.length > 0);
	if (read.length < 2) return together;
	const ordered = read.toSorted((a, b) => median(b.ratios) - median(a.ratios));
	const gapAfter = (i: number) =>
		Math.min(...ordered.slice(0, i + 1).flatMap(({ ratios }) => ratios)) -
		Math.max(...ordered.slice(i + 1).flatMap(({ ratios }) => ratios));
	const cuts = ordered.slice(0, -1).map((_, i) => ({ i, gap: gapAfter(i) }));
	const best = cuts.reduce((a, b) => (b.gap > a.gap ? b : a));
	const sides = [ordered.slice(0, best.i + 1), ordered.slice(best.i + 1)];
	const enough = sides.every(
		(side) =>
			side.flatMap(({ ratios }) => ratios).length >= STRINGS_AT_LEAST &&
			side.some(({ ratios }) => ratios.length >= STRINGS_AT_LEAST)
	);
	const within = Math.min(rmsOf(series.irradiance), spreadWithin(sides));
	if (!enough || best.gap < Math.max(LEAST_GAP, CLEAR * within)) return together;
	const sideOf = (side: readonly InputCurrents[]) => side.flatMap(({ strings: of }) => of);
	// Inputs at which no current was read stay with the brighter side.
	const unread = [...inputs.values()].filter(({ ratios }) => ratios.length === 0);
	return [sideOf([...sides[0]!, ...unread]), sideOf(sides[1]!)];
}

/** Shares of the open-circuit voltage between which a string runs. */
const RUNS = { least: 0.65, most: 0.93 };

/** Whether a current was read at a voltage at which it tells of the irradiance. */
function isPlausible({ reading, string }: GroupReading, moduleVoltage: number): boolean {
	if (reading.quantity !== 'operating-current') return true;
	const share = (reading.atVolts ?? 0) / (moduleVoltage * string.moduleCount);
	return share > RUNS.least && share < RUNS.most;
}

/** Standard deviation of the currents about the middle of their side, relative. */
function spreadWithin(sides: readonly (readonly InputCurrents[])[]): number {
	const misses = sides.flatMap((side) => {
		const ratios = side.flatMap((input) => input.ratios);
		const middle = median(ratios);
		return ratios.map((ratio) => ratio / middle - 1);
	});
	return Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / misses.length);
}
