import { BusSource } from '../circuit';
import { type ArrayRecord, partsOf, type StringRecord } from '../record';
import type { Contribution } from './error-model';
import { groupOfString, modulesAtShift, type PeerGroup } from './group';
import { stringAtConditions, USUAL_PARTS } from './predict';
import {
	type Quantity,
	settledState,
	standsAlone,
	stateProblem,
	type SwitchingState
} from '../visit';

/** Open-circuit volts of a string in a state of its own, and what makes them unsure; or why there are none. */
export type InState =
	| { readonly value: number; readonly contributions: readonly Contribution[] }
	| { readonly missing: string };

/** Volts that a device puts out while off where its part states none, V; judgement. */
const USUAL_OFF_VOLTAGE = { 'rapid-shutdown': 0.6, optimiser: 1 } as const;
/**
 * Standard uncertainty of those volts, relative, stated by the maker and merely usual: devices put out 3 V where
 * 5 V are stated, and fewer in dim light. Zembo default.
 */
export const STANDBY_VOLTAGE_UNCERTAINTY = { stated: 0.25, usual: 0.4 };
/** Of the common volts of strings on one bus, relative; judgement: their modules' spread and the model. */
const BUS_UNCERTAINTY = 0.006;

/** Whether open-circuit volts in this state are those of the string alone, as it is usually read. */
export function isUsualState(state: SwitchingState): boolean {
	return standsAlone(state) && !state.covered;
}

/** Volts of a string whose devices are off: each puts out its own. Null where it has none. */
export function standbyVoltage(
	record: Pick<ArrayRecord, 'parts'>,
	{ devices, moduleCount }: StringRecord
): { readonly count: number; readonly each: number; readonly stated: boolean } | null {
	if (devices === null || devices === 'unknown' || devices.kind === 'micro-inverter') return null;
	const kind = devices.kind === 'optimiser' ? 'optimiser' : 'rapid-shutdown-device';
	const type = partsOf(record.parts, kind).find(({ id }) => id === devices.part);
	const stated = type?.specs.offVolts ?? null;
	return {
		count: Math.ceil(moduleCount / devices.modulesPerDevice),
		each: stated ?? USUAL_OFF_VOLTAGE[devices.kind],
		stated: stated !== null
	};
}

/** What a string's volts should be in a state other than alone and open. */
export function voltageInState(
	record: ArrayRecord,
	groups: readonly PeerGroup[],
	string: StringRecord,
	state: SwitchingState
): InState {
	if (state.covered) return COVERED;
	if (state.transmitter === 'off') return standby(record, string);
	return commonVoltage(record, groups, string);
}

/**
 * What a whole string's reading should be in a state of the person's choice, before anything is stored.
 *
 * @returns null where the usual expected value holds; words where there is none in this state
 */
export function expectedInChosenState(
	record: Pick<ArrayRecord, 'parts'>,
	string: StringRecord,
	quantity: Quantity,
	chosen: SwitchingState
): InState | null {
	const state = settledState(string, chosen);
	const problem = stateProblem(quantity, state);
	if (problem !== null) return { missing: problem };
	if (quantity !== 'open-circuit-voltage') return null;
	if (state.covered) return COVERED;
	if (state.transmitter === 'off') return standby(record, string);
	return isUsualState(state)
		? null
		: {
				missing:
					'With other strings connected, the expected value is that of the common input: it follows when the reading is stored.'
			};
}

const COVERED: InState = {
	missing:
		'With a substring covered there is no expected value: compare with the reading uncovered.'
};

function standby(record: Pick<ArrayRecord, 'parts'>, string: StringRecord): InState {
	const devices = standbyVoltage(record, string);
	if (!devices) return { missing: 'What hangs behind the modules of this string is not recorded.' };
	const value = devices.count * devices.each;
	const uncertainty = devices.stated
		? STANDBY_VOLTAGE_UNCERTAINTY.stated
		: STANDBY_VOLTAGE_UNCERTAINTY.usual;
	return {
		value,
		contributions: [
			{
				source: 'model',
				words: `${devices.count} devices of ${devices.each} V each while off${devices.stated ? '' : ' (usual; theirs is not recorded)'}`,
				standardUncertainty: value * uncertainty
			}
		]
	};
}

/** Open volts of the bus that a string shares with its comparable strings. */
function commonVoltage(
	record: ArrayRecord,
	groups: readonly PeerGroup[],
	string: StringRecord
): InState {
	const strings = record.strings
		.filter((other) => other === string || (string.input !== null && other.input === string.input))
		.flatMap((other) => {
			const group = groupOfString(groups, other);
			if (!group) return [];
			return [
				stringAtConditions(other, group.model, modulesAtShift(group, group.estimates[0].shift))
			];
		});
	const value = new BusSource({ ...USUAL_PARTS, strings }).openVoltage;
	return {
		value,
		contributions: [
			{
				source: 'model',
				words: `${strings.length} strings on one bus, which share their voltage`,
				standardUncertainty: Math.abs(value) * BUS_UNCERTAINTY
			}
		]
	};
}
