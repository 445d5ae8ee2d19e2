import { METER_RESISTANCE } from '../circuit/parts';
import { rightDensity, wrongDensity } from './evidence';

/** Both poles of an isolated string to earth, V; null where one was not read. */
export interface EarthReading {
	readonly positive: number | null;
	readonly negative: number | null;
}

/** Density of the earth readings of a sound string, and of one with a fault at each joint, [n + 1]. */
export interface EarthDensities {
	readonly sound: number;
	readonly faulty: readonly number[];
}

/** Leaks of a sound string to earth through all its insulation, ohm: 2 Mohm to 1 Gohm; judgement. */
const SOUND_LEAKS = Array.from({ length: 9 }, (_, i) => 2e6 * 500 ** ((i + 0.5) / 9));
/** Where along the string the sum of its leaks seems to sit. */
const SOUND_PLACES = Array.from({ length: 12 }, (_, i) => (i + 0.5) / 12);
/** Faults, ohm. */
const FAULT_OHMS = [1e3, 3e4, 2e5];
/** Spread of the modules' volts below a joint and the meter, of the string's volts. */
const SHARE_DOUBT = 0.006;

/**
 * The split of a string's volts between its poles and earth, the meter being a path of its own: a leak
 * of R at a share u of the volts from the negative end gives V+ = (1 - u) V m and V- = -u V m with
 * m = Rm/(Rm + R). Sound insulation gives any split through megohms, a fault one near its joint.
 *
 * @param volts open-circuit volts of the string, V
 * @param modules number of modules
 */
export function earthDensities(
	{ positive, negative }: EarthReading,
	volts: number,
	modules: number
): EarthDensities {
	const scale = Math.max(volts, 1);
	const density = (share: number, ohms: number, doubt: number) => {
		const seen = (METER_RESISTANCE / (METER_RESISTANCE + ohms)) * volts;
		const one = (measured: number | null, value: number) => {
			if (measured === null) return 1;
			const foretold = { value, sigma: Math.hypot(doubt * scale, 0.5), scale };
			return rightDensity(measured, foretold) + wrongDensity(measured, foretold);
		};
		return one(positive, (1 - share) * seen) * one(negative, -share * seen);
	};
	let sound = 0;
	for (const ohms of SOUND_LEAKS) {
		for (const share of SOUND_PLACES) {
			const seen = METER_RESISTANCE / (METER_RESISTANCE + ohms);
			// The width covers what lies between two points of the grid.
			sound += density(share, ohms, 0.03 * seen + 0.004);
		}
	}
	const faulty = Array.from({ length: modules + 1 }, (_, joint) => {
		const sum = FAULT_OHMS.reduce(
			(total, ohms) => total + density(joint / modules, ohms, SHARE_DOUBT),
			0
		);
		return sum / FAULT_OHMS.length;
	});
	return { sound: sound / (SOUND_LEAKS.length * SOUND_PLACES.length), faulty };
}
