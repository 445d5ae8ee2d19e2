import { StringSource } from '../circuit/bus';
import type { StringCircuit } from '../circuit/description';
import { endOfString } from '../record/path';
import type { ArrayRecord, StringRecord } from '../record/record';
import { median } from '../units/quantile';
import { RECTANGULAR, METER_GAIN_SHARE, TRACKING_SCATTER } from './allowances';
import { modulesAtShift, type SiblingGroup } from './group';
import { stringKey } from './place';
import { stringHere, USUAL_PARTS } from './predict';
import { estimateScatter, type Scatter } from './scatter';

/**
 * The operating voltage of a string that is alone on a maximum-power tracker. The tracker finds the
 * maximum of just this string, so a lost part or a resistance in it lowers this voltage, whatever the
 * current does.
 */
export interface TrackedVoltage {
	readonly stringId: string;
	/** Reading of the operating current that was taken at it. */
	readonly readingId: string;
	/** V, less what all trackers of the group are off alike. */
	readonly measured: number;
	/** Of a healthy string, V. */
	readonly expected: number;
	/** Relative standard uncertainty of the difference without the scatter of the trackers. */
	readonly known: number;
	/** How far trackers lie beside their maximum, relative, by the other inputs. */
	readonly scatter: Scatter;
}

/** All trackers of a group may lie beside the model by so much, relative; Zembo default. */
const COMMON = 0.012;
/** The model of one string's maximum, relative: fill factor and cable; Zembo default. */
const OWN = 0.005;

/** A string that gives less than this at short circuit is open, A. */
const LEAST_CURRENT = 0.02;
const NOTHING_AROUND = { ...USUAL_PARTS, strings: [] };

/** Currents, as shares of the short-circuit current, between which the maximum is looked for first. */
const SHARES = [
	...Array.from({ length: 16 }, (_, i) => (i + 1) / 20),
	...Array.from({ length: 20 }, (_, i) => 0.81 + i * 0.01)
];
/** Cuts of the interval about the best of them: each leaves 0.62 of it. */
const CUTS = 8;
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/**
 * Voltage at the maximum-power point of a string, to about a thousandth: many times quicker than
 * {@link operate}, for one who asks of a hundred circuits.
 *
 * @returns V; 0 where it gives no power
 */
export function maximumPowerVoltage(circuit: StringCircuit): number {
	const source = StringSource.of(circuit, NOTHING_AROUND, 'bus');
	const most = source.ampsAt(0);
	if (!(most > LEAST_CURRENT)) return 0;
	const power = (share: number) => share * source.voltsAt(share * most);
	const powers = SHARES.map(power);
	const best = powers.indexOf(Math.max(...powers));
	if (!(powers[best]! > 0)) return 0;
	let [low, high] = [SHARES[best - 1] ?? 0, SHARES[best + 1] ?? 1];
	for (let cut = 0; cut < CUTS; cut++) {
		const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
		if (power(left) > power(right)) high = right;
		else low = left;
	}
	return source.voltsAt(((low + high) / 2) * most);
}

/** Whether a tracker sits at the maximum of this very string: alone on its input, and nothing else holds the voltage. */
function isTracked(record: ArrayRecord, string: StringRecord): boolean {
	const { devices, input } = string;
	if (input === null || record.strings.some((other) => other !== string && other.input === input)) {
		return false;
	}
	if (devices !== null && devices !== 'unknown' && devices.kind !== 'rapid-shutdown') return false;
	const end = endOfString(record, string);
	if (end === null) return record.system !== 'off-grid';
	return !(end.kind === 'charge-controller' && end.specs.method === 'PWM');
}

/** Every string of a group that is alone on its tracker and whose operating voltage was read. */
export function trackedVoltages(record: ArrayRecord, group: SiblingGroup): TrackedVoltage[] {
	const { shift } = group.estimates[0];
	const modules = modulesAtShift(group, shift);
	const { volts: meter } = group.series.meters;
	const found = group.strings.flatMap((string) => {
		const item = group.shared.get(stringKey(string.id, 'operating-current'));
		const atVolts = item?.reading.atVolts ?? null;
		if (!item || atVolts === null || !isTracked(record, string)) return [];
		const expected = maximumPowerVoltage(stringHere(string, group.model, modules));
		if (expected <= 0) return [];
		const noise =
			RECTANGULAR *
			Math.hypot(
				(meter.pctOfReading / 100) * Math.sqrt(1 - METER_GAIN_SHARE),
				(meter.counts * meter.resolution) / expected
			);
		return [
			{
				stringId: string.id,
				readingId: item.reading.id,
				atVolts,
				expected,
				ratio: atVolts / expected,
				known: Math.hypot(noise, OWN)
			}
		];
	});
	const running = found.filter(({ ratio }) => ratio > 0.5 && ratio < 1.3);
	const { all, without } = estimateScatter(
		running.map(({ ratio, known }) => ({ miss: ratio - 1, known })),
		TRACKING_SCATTER
	);
	return found.map((one) => {
		const others = running.filter((other) => other !== one).map(({ ratio }) => ratio - 1);
		const alike = others.length > 0 ? (median(others) * others.length) / (others.length + 1) : 0;
		return {
			stringId: one.stringId,
			readingId: one.readingId,
			measured: one.atVolts * (1 - alike),
			expected: one.expected,
			known: Math.hypot(one.known, COMMON / Math.sqrt(1 + others.length)),
			scatter: without[running.indexOf(one)] ?? all
		};
	});
}
