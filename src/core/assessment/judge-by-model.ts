import {
	type Expectation,
	type ExpectedValue,
	expectedValues,
	type PeerGroup,
	type PlaneQuestion,
	rmsOf,
	type TrackedVoltage
} from '../expectation';
import type { ArrayRecord } from '../record';
import { type EffectiveVisit, stringKey } from '../visit';
import { countDifference } from './difference';
import {
	expectedAt,
	type JudgedPlace,
	type PlaceResult,
	type TrackedVerdict
} from './place-result';
import { judgeGroup, type GroupVerdict } from './shared-verdict';
import { surprise } from './surprise';
import { gradeOf, type Grade, thresholds, type Thresholds } from './verdict';

/** What is said of all readings that are compared with a model. */
export interface ModelJudgement {
	readonly places: readonly PlaceResult[];
	readonly groups: readonly GroupVerdict[];
	readonly thresholds: Thresholds;
	/** What stands in the way of every verdict, in words. */
	readonly warnings: readonly string[];
	/** What the record does not tell and the readings raise. */
	readonly questions: readonly PlaneQuestion[];
	/** For the ranking of causes; not part of any document. */
	readonly peerGroups: readonly PeerGroup[];
}

/** Expected values and verdicts for every place of a visit that the model of a string predicts. */
export function judgeByModel(record: ArrayRecord, visit: EffectiveVisit): ModelJudgement {
	const { places, tracked, peerGroups, warnings, questions } = expectedValues(record, visit);
	const judged = peerGroups.reduce((sum, { shared }) => sum + shared.size + 1, 0);
	const limits = thresholds(judged);
	const trackedOf = new Map(
		tracked.map((voltage) => [voltage.stringId, trackedVerdict(voltage, limits)])
	);
	return {
		places: places.map((place) => {
			const result = judgePlace(place, limits);
			const voltage = trackedOf.get(place.stringId);
			return voltage && result.state === 'judged' && result.quantity === 'operating-current'
				? withVoltage(result, voltage)
				: result;
		}),
		groups: peerGroups.map((group) => judgeGroup(group, limits)),
		thresholds: limits,
		warnings,
		questions,
		peerGroups
	};
}

/** What the open-circuit voltage of a string should be; null where that is not known. */
export function expectedOf(places: readonly PlaceResult[], string: string): ExpectedValue | null {
	const key = stringKey(string, 'open-circuit-voltage');
	const place = places.find((candidate) => candidate.key === key);
	return place ? expectedAt(place) : null;
}

function judgePlace(
	{ key, stringId, quantity, reading, outlook }: Expectation,
	limits: Thresholds
): PlaceResult {
	const place = { key, stringId, quantity };
	if ('reason' in outlook) {
		return reading
			? { ...place, state: 'not-assessed', reading, reason: outlook.reason }
			: { ...place, state: 'unread', outlook };
	}
	const { expected, scatter, substrings } = outlook;
	if (!reading) return { ...place, state: 'unread', outlook: { expected } };
	const { value, standardUncertainty, moduleVoltage } = expected;
	const difference = reading.value - value;
	const distance = scatter ? surprise(difference, scatter) : difference / standardUncertainty;
	return {
		...place,
		state: 'judged',
		reading,
		expected,
		verdict: gradeOf(distance, limits),
		difference,
		distance,
		relative: value === 0 ? null : difference / value,
		counted:
			substrings === null
				? null
				: countDifference(reading.value, value, standardUncertainty, moduleVoltage, substrings),
		tracked: null
	};
}

function trackedVerdict(
	{ measured, expected, known, scatter }: TrackedVoltage,
	limits: Thresholds
): TrackedVerdict {
	const without = known * expected;
	const distance = surprise(measured - expected, { without, unit: expected, scatter });
	return {
		measured,
		expected,
		standardUncertainty: Math.hypot(without, expected * rmsOf(scatter)),
		distance,
		// Above its maximum an inverter goes on purpose, where it is at its limit.
		verdict: distance > 0 ? 'pass' : gradeOf(distance, limits)
	};
}

const SEVERITY: readonly Grade[] = ['pass', 'marginal', 'fail'];

/** The verdict on a current with that on the voltage it flowed at: the worse counts. */
function withVoltage(place: JudgedPlace, tracked: TrackedVerdict): JudgedPlace {
	const worse = SEVERITY.indexOf(tracked.verdict) > SEVERITY.indexOf(place.verdict);
	return { ...place, tracked, verdict: worse ? tracked.verdict : place.verdict };
}
