import {
	type Place,
	placeKey,
	type Quantity,
	type Reading,
	type SwitchingState
} from '../../visit';
import type { CauseCode } from '../../faults';
import type { CausePlace, Reason } from '../cause';
import type { Predicted } from '../evidence';
import { chanceWrong, densityOf } from '../located';
import { repeatedMistake } from '../repeated';

/** One way in which a part may be. */
interface EquipmentState {
	/** "healthy" for the part as it should be. */
	readonly code: CauseCode;
	/** Chance before anything is read or said. */
	readonly prior: number;
	/** How well it goes with what the record and the inverter's message say; 1 where they say nothing of it. */
	readonly said: number;
}

/** A reading that parts the states. */
export interface EquipmentProbe {
	readonly place: Place;
	readonly quantity: Quantity;
	/** In which it is to be taken. */
	readonly state: SwitchingState;
	/** Whether a reading of this place was taken in a state in which it tells. */
	readonly counts: (reading: Reading) => boolean;
	/** On the scale on which it is weighed; null where the state predicts nothing. */
	readonly predicted: (code: CauseCode) => Predicted | null;
}

/**
 * A part whose fault the volts and amps of strings do not show. Its states exclude one another and it
 * is independent of all else, so each is weighed by its own readings alone.
 */
export interface EquipmentCase {
	readonly place: CausePlace;
	/** "Q1", "K2, module 4". */
	readonly where: string;
	/** The sound one first. */
	readonly states: readonly [EquipmentState, ...EquipmentState[]];
	readonly probes: readonly EquipmentProbe[];
	/** What of the record and of the inverter's message speaks for or against it. */
	readonly reasons: readonly Reason[];
	/** Found beside whatever the strings do, so that it is no rival of their being sound. */
	readonly beside?: true;
}

/** A reading at one of the probes of a part. */
export interface EquipmentReading {
	readonly reading: Reading;
	readonly probe: EquipmentProbe;
	/** Chance that the reading is wrong. */
	readonly wrong: number;
}

export interface EquipmentPosterior {
	readonly of: EquipmentCase;
	/** Chance of each state, in their order. */
	readonly chances: readonly number[];
	/** ln of what was read and said under each state. */
	readonly logs: readonly number[];
	readonly read: readonly EquipmentReading[];
	/** Chance that all of it was read right, if the part is sound. */
	readonly rightIfSound: number;
	/** Whether anything was read or said of it at all: a prior alone is no answer. */
	readonly told: boolean;
}

/** Key of the reading that a probe asks for. */
function keyOfEquipmentCase({
	place,
	quantity
}: Pick<EquipmentProbe, 'place' | 'quantity'>): string {
	return placeKey(place, quantity);
}

/** Weighs the states of one part by what was read at its probes. */
export function weighEquipmentCase(
	of: EquipmentCase,
	standing: ReadonlyMap<string, Reading>,
	takes: (key: string) => readonly Reading[]
): EquipmentPosterior {
	const read = of.probes.flatMap((probe) => {
		const key = keyOfEquipmentCase(probe);
		const reading = standing.get(key);
		if (!reading || !probe.counts(reading)) return [];
		return [{ reading, probe, repeated: repeatedMistake(reading, takes(key)) }];
	});
	const likelihoods = of.states.map(({ code, said }) =>
		read.reduce(
			(product, { reading, probe, repeated }) =>
				product * densityOf(reading, probe.predicted(code), repeated),
			said
		)
	);
	const weights = of.states.map(({ prior }, i) => prior * likelihoods[i]!);
	const total = weights.reduce((sum, weight) => sum + weight, 0);
	const chances = weights.map((weight) => (total > 0 ? weight / total : 0));
	return {
		of,
		chances,
		logs: likelihoods.map((likelihood) => Math.log(Math.max(likelihood, 1e-300))),
		rightIfSound: read.reduce((product, { reading, probe, repeated }) => {
			const predicted = probe.predicted(of.states[0].code);
			return predicted ? product * (1 - chanceWrong(reading, predicted, repeated)) : product;
		}, 1),
		read: read.map(({ reading, probe, repeated }) => ({
			reading,
			probe,
			wrong: of.states.reduce((sum, { code }, s) => {
				const predicted = probe.predicted(code);
				return predicted ? sum + chances[s]! * chanceWrong(reading, predicted, repeated) : sum;
			}, 0)
		})),
		told: read.length > 0 || of.states.some(({ said }) => said !== 1)
	};
}

/** States of a part that is sound or has one of some faults, with their chances before anything is read. */
export function statesOf(
	faults: readonly { readonly code: CauseCode; readonly prior: number; readonly said?: number }[],
	sound = 1
): EquipmentCase['states'] {
	const priors = faults.reduce((sum, { prior }) => sum + prior, 0);
	return [
		{ code: 'healthy', prior: Math.max(1 - priors, 0.5), said: sound },
		...faults.map(({ code, prior, said = 1 }) => ({ code, prior, said }))
	];
}
