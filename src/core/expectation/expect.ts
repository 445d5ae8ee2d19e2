import {
	type EffectiveVisit,
	findCurrentReadings,
	type Reading,
	settledState,
	STRING_QUANTITIES,
	stringKey,
	type StringQuantity,
	switchableOf,
	usualState
} from '../visit';
import { type ArrayRecord, isAcBranch, type StringRecord } from '../record';
import { openCircuitVoltage } from '../module';
import { busVoltsByInput } from './bus-voltage';
import { countDifference, type CountedDifference } from './difference';
import { comparableGroups } from './comparable-groups';
import {
	combine,
	meterUncertainty,
	ownUncertainty,
	scatterUncertainty,
	type Contribution
} from './error-model';
import { isUsualState, voltsInState, type InState } from './in-state';
import { groupOfString, moduleAtShift, NO_SHIFT, predictAtShift, type PeerGroup } from './group';
import { judgeGroup, type GroupVerdict } from './shared-verdict';
import { predictReading, type SharedReading } from './shared-shift';
import { surprise, type Scattered } from './surprise';
import { rmsOf } from './scatter';
import { trackedVoltages, type TrackedVoltage } from './tracked-voltage';
import { thresholds, verdictOf, type Thresholds, type Verdict } from './verdict';
import { warningsOf } from './warnings';

/** What a place should read, how sure that is, and what makes it unsure. V or A. */
interface ExpectedValue {
	readonly value: number;
	/** Of expected value and reading together. */
	readonly standardUncertainty: number;
	readonly contributions: readonly Contribution[];
	/** The same from label and stated conditions alone, the comparable strings not asked. */
	readonly fromConditions: { readonly value: number; readonly standardUncertainty: number };
	/** Standing readings of the group that took part, this one left out. */
	readonly siblings: number;
}

/** One quantity of one string: what was read, what was expected, and what the difference means. */
export interface PlaceVerdict {
	readonly key: string;
	readonly stringId: string;
	readonly quantity: StringQuantity;
	readonly reading: Reading | null;
	readonly expected: ExpectedValue | null;
	readonly verdict: Verdict | null;
	/** Why there is no basis. */
	readonly missing: string | null;
	/** In standard uncertainties. */
	readonly distance: number | null;
	/** Measured less expected, V or A. */
	readonly difference: number | null;
	/** Of the expected value, 1. */
	readonly relative: number | null;
	readonly counted: CountedDifference | null;
	/** Open-circuit volts of one module here and now. */
	readonly moduleVolts: number | null;
	/**
	 * Of an operating current, where the string is alone on its tracker: the voltage it flowed at, which is
	 * judged with it. Null elsewhere.
	 */
	readonly tracked: TrackedVerdict | null;
}

/** The operating voltage of a string alone on its tracker against the maximum of a healthy one. */
interface TrackedVerdict {
	/** V */
	readonly measured: number;
	readonly expected: number;
	readonly standardUncertainty: number;
	/** In standard deviations of a normal distribution. */
	readonly distance: number;
	readonly verdict: Verdict;
}

/** Directions that the strings of a record may face, asked because their currents fall into two kinds. */
interface PlaneQuestion {
	readonly code: 'other-plane';
	/** Ids of the strings of each kind, the brighter first. */
	readonly strings: readonly (readonly string[])[];
}

export interface Expectations {
	readonly places: readonly PlaceVerdict[];
	readonly groups: readonly GroupVerdict[];
	readonly thresholds: Thresholds;
	/** What stands in the way of every verdict, in words. */
	readonly warnings: readonly string[];
	/** What the record does not tell and the readings raise. */
	readonly questions: readonly PlaneQuestion[];
	/** For the ranking of causes; not part of any document. */
	readonly peerGroups: readonly PeerGroup[];
}

/** Years of service at the moment of a visit; 0 where the year is not known. */
export function yearsInService(record: ArrayRecord, startedAt: string): number {
	if (record.inServiceSince === null) return 0;
	const year = Number(startedAt.slice(0, 4)) + (Number(startedAt.slice(5, 7)) - 1) / 12;
	return Math.max(0, year - record.inServiceSince - 0.5);
}

/**
 * Expected values and verdicts for every place of a visit: open circuit and operating current of
 * each string, and short circuit where it was read.
 */
export function expectReadings(record: ArrayRecord, visit: EffectiveVisit): Expectations {
	const standing = findCurrentReadings(visit);
	const years = yearsInService(record, visit.startedAt);
	const groups = comparableGroups(record, visit, years, standing);
	const judgedCount = groups.reduce((sum, { shared }) => sum + shared.size + 1, 0);
	const limits = thresholds(judgedCount);
	const bus = busVoltsByInput(record, standing);
	const tracked = new Map(
		groups.flatMap((group) =>
			trackedVoltages(record, group, groups, standing)
				.filter(({ partners }) => partners.length === 0)
				.map((one) => [one.stringId, trackedVerdict(one, limits)] as const)
		)
	);
	const places = record.strings.flatMap((string) =>
		STRING_QUANTITIES.filter(
			(quantity) =>
				quantity !== 'short-circuit-current' || standing.has(stringKey(string.id, quantity))
		).map((quantity) => {
			const place = judgePlace(string, quantity, record, groups, standing, bus, limits);
			const voltage = tracked.get(string.id);
			return voltage && quantity === 'operating-current' ? withVoltage(place, voltage) : place;
		})
	);
	return {
		places,
		groups: groups.map((group) => judgeGroup(group, limits)),
		thresholds: limits,
		warnings: warningsOf(record, visit, groups),
		questions: planeQuestions(groups),
		peerGroups: groups
	};
}

/** Whether strings whose plane is not recorded seem to face two ways. */
function planeQuestions(groups: readonly PeerGroup[]): PlaneQuestion[] {
	const presumed = groups.filter((group) => group.presumed !== null);
	const types = [...new Set(presumed.map(({ model }) => model.type.id))];
	return types.map((type) => ({
		code: 'other-plane',
		strings: presumed
			.filter(({ model }) => model.type.id === type)
			.map(({ strings }) => strings.map(({ id }) => id))
	}));
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
		verdict: distance > 0 ? 'pass' : verdictOf(distance, limits)
	};
}

const SEVERITY: readonly Verdict[] = ['not-assessed', 'pass', 'marginal', 'fail'];

/** The verdict on a current with that on the voltage it flowed at: the worse counts. */
function withVoltage(place: PlaceVerdict, tracked: TrackedVerdict): PlaceVerdict {
	const { verdict } = place;
	if (verdict === null || verdict === 'not-assessed') return { ...place, tracked };
	const worse = SEVERITY.indexOf(tracked.verdict) > SEVERITY.indexOf(verdict);
	return { ...place, tracked, verdict: worse ? tracked.verdict : verdict };
}

/** How a string is switched for a reading that is still to be taken. */
const assumedState = (string: StringRecord, quantity: StringQuantity) =>
	usualState(quantity, switchableOf(string));

function judgePlace(
	string: StringRecord,
	quantity: StringQuantity,
	record: ArrayRecord,
	groups: readonly PeerGroup[],
	standing: ReadonlyMap<string, Reading>,
	bus: ReadonlyMap<string, number>,
	limits: Thresholds
): PlaceVerdict {
	const key = stringKey(string.id, quantity);
	const reading = standing.get(key) ?? null;
	const none = {
		key,
		stringId: string.id,
		quantity,
		reading,
		expected: null,
		verdict: reading ? ('not-assessed' as const) : null,
		distance: null,
		difference: null,
		relative: null,
		counted: null,
		moduleVolts: null,
		tracked: null
	};
	const type = record.moduleTypes.find((candidate) => candidate.id === string.moduleTypeId);
	const group = groupOfString(groups, string);
	if (isAcBranch(string)) {
		return { ...none, missing: 'Every module has its own inverter: this branch carries AC.' };
	}
	if (!type) return { ...none, missing: 'The string’s module type is not recorded.' };
	if (!group) return { ...none, missing: 'Irradiance and cell temperature are not entered yet.' };
	const atVolts =
		reading?.atVolts ?? (string.input === null ? null : (bus.get(string.input) ?? null));
	if (quantity === 'operating-current' && atVolts === null) {
		return { ...none, missing: 'The volts at which the current flows are not known yet.' };
	}
	if (reading?.state === null) {
		return { ...none, missing: 'How the circuit was switched for this reading was not said.' };
	}
	const state = settledState(string, reading?.state ?? assumedState(string, quantity));
	const moduleVolts = openCircuitVoltage(moduleAtShift(group, group.estimates[0].shift));
	const otherwise =
		state && quantity === 'open-circuit-voltage' && !isUsualState(state)
			? voltsInState(record, groups, string, state)
			: null;
	if (otherwise && 'missing' in otherwise) return { ...none, missing: otherwise.missing };
	const expected = otherwise
		? expectInState(otherwise, group)
		: expectValue(group, string, quantity, atVolts, key);
	if (!reading) {
		const { scatter: _, ...shown } = expected;
		return { ...none, missing: null, expected: shown, moduleVolts };
	}
	const difference = reading.value - expected.value;
	const distance = expected.scatter
		? surprise(difference, expected.scatter)
		: difference / expected.standardUncertainty;
	const { scatter: _, ...shown } = expected;
	return {
		...none,
		missing: null,
		expected: shown,
		moduleVolts,
		difference,
		distance,
		relative: expected.value === 0 ? null : difference / expected.value,
		verdict: verdictOf(distance, limits),
		counted:
			quantity === 'open-circuit-voltage' && state.transmitter !== 'off'
				? countDifference(
						reading.value,
						expected.value,
						expected.standardUncertainty,
						moduleVolts,
						type.plate.sections
					)
				: null
	};
}

/** An expected value in a state of its own: comparable strings and stated conditions have no other say in it. */
function expectInState(
	{ value, contributions }: Exclude<InState, { missing: string }>,
	{ series: { meters } }: PeerGroup
): ExpectedValue & { readonly scatter: null } {
	const withMeter = [...contributions, ...meterUncertainty('V', value, meters)];
	const standardUncertainty = combine(withMeter);
	return {
		value,
		standardUncertainty,
		contributions: withMeter,
		scatter: null,
		siblings: 0,
		fromConditions: { value, standardUncertainty }
	};
}

function expectValue(
	group: PeerGroup,
	string: StringRecord,
	quantity: StringQuantity,
	atVolts: number | null,
	key: string
): ExpectedValue & { readonly scatter: Scattered } {
	const estimate = group.estimates[0];
	const at = (shift: { light: number; heat: number }) =>
		predictAtShift(group, string, quantity, atVolts, shift);
	const own = group.shared.get(key);
	const asShared: SharedReading = own ?? {
		measured: 0,
		ownSigma: 1,
		at: (shift) => at(shift).value
	};
	const { value, sharedSigma } = predictReading(estimate, asShared);
	// A reading from another moment of the series is compared in its own light.
	const drift = own?.drift ?? 1;
	const { light, heat } = estimate.shift;
	const here = at(estimate.shift);
	const perKelvin = at({ light, heat: heat + 0.5 }).value - at({ light, heat: heat - 0.5 }).value;
	const known = ownUncertainty(quantity, here, string, group.series, atVolts);
	const scatter = own?.scatter ?? null;
	const contributions = [
		...known,
		...scatterUncertainty(quantity, here.value, perKelvin, group.series, scatter),
		{
			source: 'light',
			words: 'light and heat, as the conditions and the comparable strings together give them',
			standardUncertainty: sharedSigma
		} as const
	].map((part) => ({ ...part, standardUncertainty: part.standardUncertainty / drift }));
	const stated = at(NO_SHIFT);
	const byLight = (at({ light: 0.01, heat: 0 }).value - stated.value) / 0.01;
	const byHeat = at({ light: 0, heat: 1 }).value - stated.value;
	const isVoltage = quantity === 'open-circuit-voltage';
	const warm = isVoltage ? 0 : perKelvin * rmsOf(group.series.temperature);
	return {
		value: value / drift,
		standardUncertainty: combine(contributions),
		contributions,
		scatter: {
			without: Math.hypot(combine(known), sharedSigma, warm) / drift,
			unit: Math.abs(isVoltage ? perKelvin : here.value) / drift,
			scatter: scatter ?? group.series[isVoltage ? 'temperature' : 'irradiance']
		},
		siblings: estimate.items.filter(({ reading: other }) => other !== own).length,
		fromConditions: {
			value: stated.value,
			standardUncertainty: Math.hypot(
				byLight * group.uncertainty.light,
				byHeat * group.uncertainty.heat,
				combine(ownUncertainty(quantity, stated, string, group.series, atVolts))
			)
		}
	};
}
