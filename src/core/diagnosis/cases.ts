import { median } from '../numerics';
import {
	moduleAtShift,
	modulesAtShift,
	type PeerGroup,
	runningVoltage,
	standbyVoltage,
	stringAtConditions,
	trackedVoltages
} from '../expectation';
import {
	isStringReading,
	type Quantity,
	type Reading,
	STRING_QUANTITIES,
	stringKey,
	stringOfPlace
} from '../visit';
import type { FaultRates } from '../faults';
import { maximumPowerPoint, openCircuitVoltage, shortCircuitCurrent } from '../module';
import { type ArrayRecord, fuseInCircuit, type StringRecord } from '../record';
import type { ConditionsAtString } from './here';
import { earthDensities } from './earth-evidence';
import { earthReadOf, type LocatedEvidence } from './located';
import type { JudgedReading, StringCase } from './string-case';
import { repeatedMistake } from './repeated';
import { classesOf } from './string-class';

/** Shares of the volts at the maximum and at open circuit between which an input can run at all. */
const PLAUSIBLE = { least: 0.5, most: 1.04 };
/** What volts that nobody believes are replaced with, relative standard uncertainty about the maximum. */
const ASSUMED_UNCERTAINTY = 0.035;

/** Volts of each input as read while it ran, and whether they can be believed. */
export interface InputVoltage {
	readonly read: number;
	readonly believed: boolean;
	/** Volts of most of its strings at their maximum and open, V. */
	readonly best: number;
	readonly open: number;
}

/** The volts of every input of a group, by its name. */
export function inputVoltage(
	group: PeerGroup,
	standing: ReadonlyMap<string, Reading>
): Map<string, InputVoltage> {
	const { shift } = group.estimates[0];
	const module = moduleAtShift(group, shift);
	const modules = modulesAtShift(group, shift);
	const peak = maximumPowerPoint(module).amps;
	const inputs = new Map<string, StringRecord[]>();
	for (const string of group.strings) {
		if (string.input !== null) {
			inputs.set(string.input, [...(inputs.get(string.input) ?? []), string]);
		}
	}
	const found = new Map<string, InputVoltage>();
	for (const [input, strings] of inputs) {
		const voltage = strings.flatMap(
			({ id }) => standing.get(stringKey(id, 'operating-current'))?.atVolts ?? []
		);
		if (voltage.length === 0) continue;
		const [middle] = [...strings]
			.sort((a, b) => a.moduleCount - b.moduleCount)
			.slice(strings.length >> 1);
		const best = runningVoltage(stringAtConditions(middle!, group.model, modules), peak);
		const each = openCircuitVoltage(module);
		const most = each * Math.max(...strings.map(({ moduleCount }) => moduleCount));
		const read = median(voltage);
		found.set(input, {
			read,
			best,
			open: each * middle!.moduleCount,
			believed: read > PLAUSIBLE.least * best && read < PLAUSIBLE.most * most
		});
	}
	return found;
}

/** What located readings of a string are predicted from. */
function hereOf(record: ArrayRecord, group: PeerGroup, string: StringRecord): ConditionsAtString {
	const module = moduleAtShift(group, group.estimates[0].shift);
	return {
		string,
		type: group.model.type,
		moduleVoltage: openCircuitVoltage(module),
		moduleCurrent: shortCircuitCurrent(module),
		running: maximumPowerPoint(module).amps,
		deviceVoltage: standbyVoltage(record, string)?.each ?? 0,
		fuseRating: fuseInCircuit(string)?.rating ?? null
	};
}

/** What of a visit the cases of a group are made from. */
export interface CaseBasis {
	readonly record: ArrayRecord;
	readonly group: PeerGroup;
	/** All groups of the visit. */
	readonly groups: readonly PeerGroup[];
	readonly standing: ReadonlyMap<string, Reading>;
	readonly rates: FaultRates;
	readonly inputs: ReadonlyMap<string, InputVoltage>;
	/** All takes of a place, by key. */
	readonly takes: (key: string) => readonly Reading[];
}

/** Every string of a group with all that is weighed of it. */
export function casesOf(basis: CaseBasis): StringCase[] {
	const { record, group, groups, standing, rates, inputs, takes } = basis;
	const located = new Map<string, Reading[]>();
	for (const reading of standing.values()) {
		const id = stringOfPlace(reading.place);
		if (id === null || isStringReading(reading)) continue;
		located.set(id, [...(located.get(id) ?? []), reading]);
	}
	const tracked = trackedVoltages(record, group, groups, standing);
	return group.strings.map((string): StringCase => {
		const own = located.get(string.id) ?? [];
		const readings = STRING_QUANTITIES.flatMap((quantity): JudgedReading[] => {
			const item = group.shared.get(stringKey(string.id, quantity));
			if (!item) return [];
			const { atVolts: atVoltage } = item.reading;
			const repeated = repeatedMistake(item.reading, takes(stringKey(string.id, quantity)));
			const input = string.input === null ? undefined : inputs.get(string.input);
			return atVoltage !== null && input && !input.believed
				? [
						{
							item,
							atVoltage: input.best,
							voltageUncertainty: ASSUMED_UNCERTAINTY * input.best,
							repeated
						}
					]
				: [{ item, atVoltage, voltageUncertainty: 0, repeated }];
		});
		const read = new Set<Quantity>(own.map(({ quantity }) => quantity));
		const here = hereOf(record, group, string);
		const ratio = oddVoltageRatio(group, string);
		return {
			string,
			type: group.model.type,
			here,
			classes: classesOf(string, group.model.type, rates, read, ratio),
			voltageRatio: ratio,
			readings,
			tracked: tracked.find(({ stringId }) => stringId === string.id) ?? null,
			located: own.length > 0 ? evidenceOf(here, own) : null
		};
	});
}

/** A voltage this far from the expected one, in standard uncertainties, may be another type's. */
const ODD = 3;
/** Ratios of voltage between which another type may be taken for the recorded one. */
const OTHER_TYPE = { least: 0.6, most: 1.6 };

/** Open-circuit voltage of a string over that of a healthy one; null where it is as expected or not read. */
function oddVoltageRatio(group: PeerGroup, string: StringRecord): number | null {
	const item = group.shared.get(stringKey(string.id, 'open-circuit-voltage'));
	if (!item) return null;
	const expected = item.at(group.estimates[0].shift);
	const ratio = item.measured / expected;
	const isOdd = Math.abs(item.measured - expected) > ODD * item.ownSigma;
	return isOdd && ratio > OTHER_TYPE.least && ratio < OTHER_TYPE.most ? ratio : null;
}

const TO_EARTH: readonly Quantity[] = ['positive-to-earth', 'negative-to-earth'];

function evidenceOf(here: ConditionsAtString, own: readonly Reading[]): LocatedEvidence {
	const modules = here.string.moduleCount;
	const earthRead = earthReadOf(own);
	const isRead = earthRead.positive !== null || earthRead.negative !== null;
	return {
		here,
		readings: own.filter(({ quantity }) => !TO_EARTH.includes(quantity)),
		earthRead,
		earth: isRead
			? earthDensities(
					{
						positive: earthRead.positive?.value ?? null,
						negative: earthRead.negative?.value ?? null
					},
					here.moduleVoltage * modules,
					modules
				)
			: null
	};
}
