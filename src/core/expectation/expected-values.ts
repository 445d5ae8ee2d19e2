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
import { busVoltageByInput } from './bus-voltage';
import { comparableGroups } from './comparable-groups';
import {
	combine,
	meterUncertainty,
	ownUncertainty,
	scatterUncertainty,
	type Contribution
} from './error-model';
import { isUsualState, voltageInState, type InState } from './in-state';
import type { Shift } from './shared-shift';
import { groupOfString, moduleAtShift, NO_SHIFT, predictAtShift, type PeerGroup } from './group';
import { rmsOf, type Scattered } from './scatter';
import { predictReading, type SharedReading } from './shared-shift';
import { trackedVoltages, type TrackedVoltage } from './tracked-voltage';
import { warningsOf } from './warnings';

/** What a place should read, how sure that is, and what makes it unsure. V or A. */
export interface ExpectedValue {
	readonly value: number;
	/** Of expected value and reading together. */
	readonly standardUncertainty: number;
	readonly contributions: readonly Contribution[];
	/** The same from label and stated conditions alone, the comparable strings not asked. */
	readonly fromConditions: { readonly value: number; readonly standardUncertainty: number };
	/** Standing readings of the group that took part, this one left out. */
	readonly peers: number;
	/** Open-circuit voltage of one module here and now, V. */
	readonly moduleVoltage: number;
}

/** What is expected of one quantity of one string, beside what was read there. */
export interface Expectation {
	readonly key: string;
	readonly stringId: string;
	readonly quantity: StringQuantity;
	/** Null where nothing is read yet. */
	readonly reading: Reading | null;
	readonly outlook: Outlook | { readonly reason: string };
}

interface Outlook {
	readonly expected: ExpectedValue;
	/** How readings scatter about it; null where its standard uncertainty says all. */
	readonly scatter: Scattered | null;
	/** Substrings of a module, by which a difference is counted; null where it cannot be. */
	readonly substrings: number | null;
}

/** Directions that the strings of a record may face, asked because their currents fall into two kinds. */
export interface PlaneQuestion {
	readonly code: 'other-plane';
	/** Ids of the strings of each kind, the brighter first. */
	readonly strings: readonly (readonly string[])[];
}

export interface Expectations {
	readonly places: readonly Expectation[];
	/** Operating voltages of strings that are alone on their tracker. */
	readonly tracked: readonly TrackedVoltage[];
	readonly peerGroups: readonly PeerGroup[];
	/** What stands in the way of every verdict, in words. */
	readonly warnings: readonly string[];
	readonly questions: readonly PlaneQuestion[];
}

/** Years of service at the moment of a visit; 0 where the year is not known. */
export function yearsInService(record: ArrayRecord, startedAt: string): number {
	if (record.inServiceSince === null) return 0;
	const year = Number(startedAt.slice(0, 4)) + (Number(startedAt.slice(5, 7)) - 1) / 12;
	return Math.max(0, year - record.inServiceSince - 0.5);
}

/** The strings of a visit in groups that are compared with each other. */
export function peerGroupsOf(record: ArrayRecord, visit: EffectiveVisit): PeerGroup[] {
	const years = yearsInService(record, visit.startedAt);
	return comparableGroups(record, visit, years, findCurrentReadings(visit));
}

/**
 * Expected values for every place of a visit: open circuit and operating current of each string, and short
 * circuit where it was read.
 */
export function expectedValues(record: ArrayRecord, visit: EffectiveVisit): Expectations {
	const standing = findCurrentReadings(visit);
	const groups = peerGroupsOf(record, visit);
	const bus = busVoltageByInput(record, standing);
	return {
		places: record.strings.flatMap((string) =>
			STRING_QUANTITIES.filter(
				(quantity) =>
					quantity !== 'short-circuit-current' || standing.has(stringKey(string.id, quantity))
			).map((quantity): Expectation => {
				const key = stringKey(string.id, quantity);
				const reading = standing.get(key) ?? null;
				const outlook = outlookFor(string, quantity, record, groups, reading, bus);
				return { key, stringId: string.id, quantity, reading, outlook };
			})
		),
		tracked: groups.flatMap((group) =>
			trackedVoltages(record, group, groups, standing).filter(
				({ partners }) => partners.length === 0
			)
		),
		peerGroups: groups,
		warnings: warningsOf(record, visit, groups),
		questions: planeQuestions(groups)
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

/** How a string is switched for a reading that is still to be taken. */
const assumedState = (string: StringRecord, quantity: StringQuantity) =>
	usualState(quantity, switchableOf(string));

function outlookFor(
	string: StringRecord,
	quantity: StringQuantity,
	record: ArrayRecord,
	groups: readonly PeerGroup[],
	reading: Reading | null,
	bus: ReadonlyMap<string, number>
): Expectation['outlook'] {
	const type = record.moduleTypes.find((candidate) => candidate.id === string.moduleTypeId);
	const group = groupOfString(groups, string);
	if (isAcBranch(string)) {
		return { reason: 'Every module has its own inverter: this branch carries AC.' };
	}
	if (!type) return { reason: 'The string’s module type is not recorded.' };
	if (!group) return { reason: 'Irradiance and cell temperature are not entered yet.' };
	const atVoltage =
		reading?.atVolts ?? (string.input === null ? null : (bus.get(string.input) ?? null));
	if (quantity === 'operating-current' && atVoltage === null) {
		return { reason: 'The operating voltage of this input is not known yet.' };
	}
	if (reading?.state === null) {
		return { reason: 'How the circuit was switched for this reading was not said.' };
	}
	const state = settledState(string, reading?.state ?? assumedState(string, quantity));
	const isVoltage = quantity === 'open-circuit-voltage';
	const substrings = isVoltage && state.transmitter !== 'off' ? type.plate.sections : null;
	if (isVoltage && !isUsualState(state)) {
		const inState = voltageInState(record, groups, string, state);
		if ('missing' in inState) return { reason: inState.missing };
		return { ...expectInState(inState, group), substrings };
	}
	return { ...expectValue(group, string, quantity, atVoltage), substrings };
}

/** An expected value in a state of its own: comparable strings and stated conditions have no other say in it. */
function expectInState(
	{ value, contributions }: Exclude<InState, { missing: string }>,
	group: PeerGroup
): Pick<Outlook, 'expected' | 'scatter'> {
	const withMeter = [...contributions, ...meterUncertainty('V', value, group.series.meters)];
	const standardUncertainty = combine(withMeter);
	return {
		expected: {
			value,
			standardUncertainty,
			contributions: withMeter,
			peers: 0,
			fromConditions: { value, standardUncertainty },
			moduleVoltage: moduleVoltageOf(group)
		},
		scatter: null
	};
}

function expectValue(
	group: PeerGroup,
	string: StringRecord,
	quantity: StringQuantity,
	atVoltage: number | null
): Pick<Outlook, 'expected' | 'scatter'> {
	const estimate = group.estimates[0];
	const at = (shift: Shift) => predictAtShift(group, string, quantity, atVoltage, shift);
	const own = group.shared.get(stringKey(string.id, quantity));
	const asShared: SharedReading = own ?? {
		measured: 0,
		ownSigma: 1,
		at: (shift) => at(shift).value
	};
	const { value, sharedSigma } = predictReading(estimate, asShared);
	// A reading from another moment of the series is compared in its own light.
	const drift = own?.drift ?? 1;
	const { irradiance, cellTemperature } = estimate.shift;
	const here = at(estimate.shift);
	const perKelvin =
		at({ irradiance, cellTemperature: cellTemperature + 0.5 }).value -
		at({ irradiance, cellTemperature: cellTemperature - 0.5 }).value;
	const known = ownUncertainty(quantity, here, string, group.series, atVoltage);
	const scatter = own?.scatter ?? null;
	const contributions = [
		...known,
		...scatterUncertainty(quantity, here.value, perKelvin, group.series, scatter),
		{
			source: 'light',
			words:
				'irradiance and cell temperature, from the test conditions and the comparable strings together',
			standardUncertainty: sharedSigma
		} as const
	].map((part) => ({ ...part, standardUncertainty: part.standardUncertainty / drift }));
	const stated = at(NO_SHIFT);
	const byIrradiance = (at({ irradiance: 0.01, cellTemperature: 0 }).value - stated.value) / 0.01;
	const byTemperature = at({ irradiance: 0, cellTemperature: 1 }).value - stated.value;
	const isVoltage = quantity === 'open-circuit-voltage';
	const warm = isVoltage ? 0 : perKelvin * rmsOf(group.series.temperature);
	return {
		expected: {
			value: value / drift,
			standardUncertainty: combine(contributions),
			contributions,
			peers: estimate.items.filter(({ reading: other }) => other !== own).length,
			fromConditions: {
				value: stated.value,
				standardUncertainty: Math.hypot(
					byIrradiance * group.uncertainty.irradiance,
					byTemperature * group.uncertainty.cellTemperature,
					combine(ownUncertainty(quantity, stated, string, group.series, atVoltage))
				)
			},
			moduleVoltage: moduleVoltageOf(group)
		},
		scatter: {
			without: Math.hypot(combine(known), sharedSigma, warm) / drift,
			unit: Math.abs(isVoltage ? perKelvin : here.value) / drift,
			scatter: scatter ?? group.series[isVoltage ? 'temperature' : 'irradiance']
		}
	};
}

/** Open-circuit voltage of one module here and now, V. */
function moduleVoltageOf(group: PeerGroup): number {
	return openCircuitVoltage(moduleAtShift(group, group.estimates[0].shift));
}
