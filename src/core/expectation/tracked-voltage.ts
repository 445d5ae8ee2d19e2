import { type StringCircuit, StringSource } from '../circuit';
import { type ArrayRecord, endOfString, partsOf, type StringRecord } from '../record';
import { median } from '../numerics';
import { RECTANGULAR, METER_GAIN_SHARE, TRACKING_SCATTER } from './allowances';
import { isAtItsRating } from './inverter-rating';
import { groupOfString, modulesAtShift, type PeerGroup } from './group';
import { type Reading, STRING_QUANTITIES, stringKey } from '../visit';
import { stringAtConditions, USUAL_PARTS } from './predict';
import { estimateScatter, type Scatter } from './scatter';

/**
 * The operating voltage of a maximum-power tracker with few strings, as one of its strings has it. The
 * tracker finds the maximum of just these strings, so a lost part or a resistance in one of them moves this
 * voltage, whatever the currents do.
 */
export interface TrackedVoltage {
	readonly stringId: string;
	/** Reading of the operating current that was taken at it. */
	readonly readingId: string;
	/** The other strings of the input, healthy; empty where the string is alone. */
	readonly partners: readonly StringCircuit[];
	/** V, less what all trackers of the group are off alike. */
	readonly measured: number;
	/** Of healthy strings, V. */
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
	const most = source.currentAt(0);
	if (!(most > LEAST_CURRENT)) return 0;
	const power = (share: number) => share * source.voltageAt(share * most);
	const powers = SHARES.map(power);
	const best = powers.indexOf(Math.max(...powers));
	if (!(powers[best]! > 0)) return 0;
	let [low, high] = [SHARES[best - 1] ?? 0, SHARES[best + 1] ?? 1];
	for (let cut = 0; cut < CUTS; cut++) {
		const [left, right] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)];
		if (power(left) > power(right)) high = right;
		else low = left;
	}
	return source.voltageAt(((low + high) / 2) * most);
}

/** Voltages at which the maximum of several strings is looked for, as shares of the healthy one. */
const ABOUT = Array.from({ length: 15 }, (_, i) => 0.86 + i * 0.0125);
const FAR_BELOW = [0.5, 0.56, 0.62, 0.68, 0.74, 0.8];

/** Voltages about a healthy one at which powers are compared, V, rising. */
export function commonVoltages(healthy: number): number[] {
	return [...FAR_BELOW, ...ABOUT].map((share) => share * healthy);
}

/**
 * Voltage at the maximum-power point of a string beside others on the same input, to about two thousandths.
 *
 * @param healthy voltage of all of them healthy, V
 * @param others current of the other strings at each of {@link commonVoltages}, A
 */
export function commonMaximumVoltage(
	circuit: StringCircuit,
	healthy: number,
	others: Float64Array
): number {
	const voltage = commonVoltages(healthy);
	const own = currentAt(circuit, voltage);
	const powers = voltage.map((v, i) => v * (own[i]! + others[i]!));
	const best = powers.indexOf(Math.max(...powers));
	const [left, middle, right] = [powers[best - 1], powers[best]!, powers[best + 1]];
	if (left === undefined || right === undefined || best <= FAR_BELOW.length) return voltage[best]!;
	// The top of a parabola through the three: the grid is even about the healthy voltage.
	const bend = left - 2 * middle + right;
	const aside = bend < 0 ? (0.5 * (left - right)) / bend : 0;
	return (
		voltage[best]! + Math.max(-0.5, Math.min(0.5, aside)) * (voltage[best + 1]! - voltage[best]!)
	);
}

/** Current of some strings together at each of some rising voltages, A. */
export function currentOf(
	strings: readonly StringCircuit[],
	voltage: readonly number[]
): Float64Array {
	const sum = new Float64Array(voltage.length);
	for (const string of strings)
		currentAt(string, voltage).forEach((current, i) => (sum[i]! += current));
	return sum;
}

/**
 * Current of a string at each of some rising voltages, between points of its curve; 0 above its open-circuit
 * voltage.
 */
function currentAt(circuit: StringCircuit, voltage: readonly number[]): Float64Array {
	const source = StringSource.of(circuit, NOTHING_AROUND, 'bus');
	const most = source.currentAt(0);
	const found = new Float64Array(voltage.length);
	if (!(most > LEAST_CURRENT)) return found;
	const current = Float64Array.from([0, ...SHARES, 1], (share) => share * most);
	const curve = source.sweep(current);
	// Voltage falls as current rises: from the last point of the curve on as the voltages rise.
	let k = current.length - 1;
	voltage.forEach((v, i) => {
		while (k > 0 && curve[k]! < v) k--;
		if (k === 0 && curve[0]! < v) return;
		const next = Math.min(k + 1, current.length - 1);
		const span = curve[k]! - curve[next]!;
		const share = span > 0 ? (curve[k]! - v) / span : 0;
		found[i] = current[k]! + share * (current[next]! - current[k]!);
	});
	return found;
}

/** A reading this far from the others, in standard uncertainties, is a fault of its own. */
const ODD = 3;
/** With more strings on an input the voltage hardly tells of one of them. */
const MOST_STRINGS = 4;

/** The strings of a tracker that sits at their maximum; null where something else holds the voltage. */
function trackedStrings(
	record: ArrayRecord,
	string: StringRecord,
	standing: ReadonlyMap<string, Reading>
): readonly StringRecord[] | null {
	const { input } = string;
	if (input === null) return null;
	const together = record.strings.filter((other) => other.input === input);
	const held = together.some(
		({ devices }) => devices !== null && devices !== 'unknown' && devices.kind !== 'rapid-shutdown'
	);
	if (held || together.length > MOST_STRINGS) return null;
	const inverters = partsOf(record.parts, 'inverter');
	// Where nobody recorded which inverter a string feeds, the only one is meant.
	const end = endOfString(record, string) ?? (inverters.length === 1 ? inverters[0]! : null);
	if (end === null) return record.system === 'off-grid' ? null : together;
	if (end.kind === 'inverter') return isAtItsRating(end, standing) ? null : together;
	return end.kind === 'charge-controller' && end.specs.method === 'PWM' ? null : together;
}

/** Every string of a group whose tracker was read, with the strings beside it. */
export function trackedVoltages(
	record: ArrayRecord,
	group: PeerGroup,
	groups: readonly PeerGroup[],
	standing: ReadonlyMap<string, Reading>
): TrackedVoltage[] {
	const circuitOf = (string: StringRecord) => {
		const of = groupOfString(groups, string);
		return of && stringAtConditions(string, of.model, modulesAtShift(of, of.estimates[0].shift));
	};
	const { volts: meter } = group.series.meters;
	const expectedAt = new Map<string, number>();
	const isOdd = (string: StringRecord) => {
		const of = groupOfString(groups, string);
		return STRING_QUANTITIES.some((quantity) => {
			const item = of?.shared.get(stringKey(string.id, quantity));
			const miss = item ? item.measured - item.at(of!.estimates[0].shift) : 0;
			return item !== undefined && Math.abs(miss) > ODD * item.ownSigma;
		});
	};
	const found = group.strings.flatMap((string) => {
		const item = group.shared.get(stringKey(string.id, 'operating-current'));
		const atVoltage = item?.reading.atVolts ?? null;
		const together = trackedStrings(record, string, standing);
		const own = circuitOf(string);
		if (!item || atVoltage === null || !together || !own) return [];
		const partners = together.flatMap((other) =>
			other === string ? [] : (circuitOf(other) ?? [])
		);
		if (partners.length < together.length - 1) return [];
		// What moves the voltage of a common input is then plain from the strings' own readings.
		if (partners.length > 0 && together.some(isOdd)) return [];
		const expected = expectedAt.get(string.input!) ?? healthyVoltage(own, partners);
		expectedAt.set(string.input!, expected);
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
				input: string.input!,
				partners,
				atVolts: atVoltage,
				expected,
				ratio: atVoltage / expected,
				known: Math.hypot(noise, OWN)
			}
		];
	});
	// Each input counts once, however many strings it has.
	const inputs = found.filter(
		({ input, ratio }, i) =>
			ratio > 0.5 && ratio < 1.3 && found.findIndex((other) => other.input === input) === i
	);
	const { all, without } = estimateScatter(
		inputs.map(({ ratio, known }) => ({ miss: ratio - 1, known })),
		TRACKING_SCATTER
	);
	return found.map((one) => {
		const others = inputs.filter(({ input }) => input !== one.input).map(({ ratio }) => ratio - 1);
		const alike = commonOffset(others);
		const own = inputs.findIndex(({ input }) => input === one.input);
		return {
			stringId: one.stringId,
			readingId: one.readingId,
			partners: one.partners,
			measured: one.atVolts * (1 - alike),
			expected: one.expected,
			known: Math.hypot(one.known, COMMON / Math.sqrt(1 + others.length)),
			scatter: without[own] ?? all
		};
	});
}

/**
 * By how much a tracker lies beside its maximum as the others do, relative. No fault of a string lifts the
 * voltages of all trackers together; an inverter that takes less than it could does, so that the further up
 * the others are, the less of it is taken for chance.
 */
function commonOffset(others: readonly number[]): number {
	if (others.length === 0) return 0;
	const middle = median(others);
	const weight = others.length * Math.max(1, Math.max(middle, 0) / COMMON) ** 2;
	return (middle * weight) / (weight + 1);
}

function healthyVoltage(own: StringCircuit, partners: readonly StringCircuit[]): number {
	const alone = maximumPowerVoltage(own);
	if (partners.length === 0 || alone <= 0) return alone;
	return commonMaximumVoltage(own, alone, currentOf(partners, commonVoltages(alone)));
}
