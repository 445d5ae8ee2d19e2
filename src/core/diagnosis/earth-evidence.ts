import { METER_RESISTANCE } from '../circuit';
import { rightDensity, wrongDensity } from './evidence';

/** Both poles of an isolated string to earth, V; null where one was not read. */
export interface EarthReading {
	readonly positive: number | null;
	readonly negative: number | null;
}

/** Chance that each of the two readings is wrong. */
interface WrongEarth {
	readonly positive: number;
	readonly negative: number;
}

/** Density of the earth readings of a healthy string, and of one with a fault at each joint, [n + 1]. */
export interface EarthDensities {
	readonly sound: number;
	readonly faulty: readonly number[];
	/** Of a healthy string whose leads are swapped, so that each reading is that of the other pole. */
	readonly swapped: number;
	/** Of a string that is open somewhere: each pole has only its own part of the string behind it. */
	readonly open: number;
	/** Where the string is healthy. */
	readonly wrong: WrongEarth;
}

/** Leaks of a healthy string to earth through all its insulation, ohm: 2 Mohm to 1 Gohm; Zembo default. */
const SOUND_LEAKS = Array.from({ length: 9 }, (_, i) => 2e6 * 500 ** ((i + 0.5) / 9));
/** Where along the string the sum of its leaks seems to sit. */
const SOUND_PLACES = Array.from({ length: 12 }, (_, i) => (i + 0.5) / 12);
/**
 * Faults, ohm, with their shares: equally likely in the logarithm from 10 ohm to 1 Mohm. All below 10 kohm
 * look alike to a meter of 10 Mohm.
 */
const FAULTS = [
	{ ohms: 1e3, share: 0.6 },
	{ ohms: 3e4, share: 0.12 },
	...[1e5, 2e5, 3e5, 4.2e5, 5.5e5, 7e5, 8.5e5, 1e6].map((resistance) => ({
		ohms: resistance,
		share: 0.035
	}))
];
/** Beyond the poles by this share of the string's voltage no leak puts a reading. */
const IMPOSSIBLE = 0.04;
/** Spread of the modules' volts below a joint and the meter, of the string's volts. */
const SHARE_UNCERTAINTY = 0.006;

/**
 * The split of a string's volts between its poles and earth, the meter being a path of its own: a leak
 * of R at a share u of the volts from the negative end gives V+ = (1 - u) V m and V- = -u V m with
 * m = Rm/(Rm + R), so that the ratio of the two does not depend on R. Healthy insulation gives any split
 * through megohms, a fault one near its joint. Common practice, no source.
 *
 * @param voltage open-circuit voltage of the string, V
 * @param modules number of modules
 */
export function earthDensities(
	read: EarthReading,
	voltage: number,
	modules: number
): EarthDensities {
	const scale = Math.max(voltage, 1);
	const faulty = Array.from({ length: modules + 1 }, (_, connector) =>
		FAULTS.reduce(
			(total, { ohms: resistance, share }) =>
				total +
				share * densityAt(read, connector / modules, resistance, SHARE_UNCERTAINTY, scale).density,
			0
		)
	);
	const { density, wrong } = healthyDensity(read, scale);
	const swapped = healthyDensity({ positive: read.negative, negative: read.positive }, scale);
	const open = openDensity(read.positive, scale) * openDensity(negated(read.negative), scale);
	return { sound: density, faulty, swapped: swapped.density, open, wrong };
}

const negated = (value: number | null) => (value === null ? null : -value);

/** A pole that floats stands this near 0 V, of the string's volts. */
const FLOATING = 0.01;

/**
 * Density of the reading of one pole of an open string, counted in the direction a healthy one has: it floats
 * near 0 V, or its part of the string shows any share of its volts. Common practice, no source.
 */
function openDensity(measured: number | null, scale: number): number {
	if (measured === null) return 1;
	const predicted = { value: 0, sigma: Math.hypot(FLOATING * scale, 0.5), scale };
	const share = measured >= 0 && measured <= scale ? 1 / scale : 0;
	return 0.5 * rightDensity(measured, predicted) + 0.5 * share + wrongDensity(measured, predicted);
}

function healthyDensity(read: EarthReading, scale: number) {
	// How large the leaks of healthy insulation are nobody knows well: a reading is called wrong only where no
	// leak at all can give it.
	const impossible = (value: number | null) =>
		value !== null && (value < -IMPOSSIBLE * scale || value > (1 + IMPOSSIBLE) * scale);
	const [oddUp, oddDown] = [impossible(read.positive), impossible(negated(read.negative))];
	let [sum, positive, negative] = [0, 0, 0];
	for (const resistance of SOUND_LEAKS) {
		for (const share of SOUND_PLACES) {
			const seen = METER_RESISTANCE / (METER_RESISTANCE + resistance);
			// The width covers what lies between two points of the grid.
			const one = densityAt(read, share, resistance, 0.03 * seen + 0.004, scale);
			sum += one.density;
			positive += one.density * one.positive;
			negative += one.density * one.negative;
		}
	}
	return {
		density: sum / (SOUND_LEAKS.length * SOUND_PLACES.length),
		wrong: {
			positive: oddUp && sum > 0 ? positive / sum : 0,
			negative: oddDown && sum > 0 ? negative / sum : 0
		}
	};
}

/** Density of both readings for a leak at a share of the volts, and the chance that each is wrong. */
function densityAt(
	{ positive, negative }: EarthReading,
	share: number,
	resistance: number,
	uncertainty: number,
	scale: number
) {
	const seen = (METER_RESISTANCE / (METER_RESISTANCE + resistance)) * scale;
	const one = (measured: number | null, value: number) => {
		if (measured === null) return { density: 1, wrong: 0 };
		const predicted = { value, sigma: Math.hypot(uncertainty * scale, 0.5), scale };
		const wrong = wrongDensity(measured, predicted);
		const density = rightDensity(measured, predicted) + wrong;
		return { density, wrong: wrong / density };
	};
	const up = one(positive, (1 - share) * seen);
	const down = one(negative, -share * seen);
	return { density: up.density * down.density, positive: up.wrong, negative: down.wrong };
}
