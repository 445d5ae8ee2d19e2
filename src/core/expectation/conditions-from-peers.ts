import type { EffectiveVisit } from '../visit';
import type { Conditions } from '../conditions';
import type { ArrayRecord } from '../record';
import { refuse, type Result, succeed } from '../units';
import { UNASKED } from './error-model';
import { peerGroupsOf } from './expected-values';

/** Where the search begins when nobody said anything of light and heat. */
const MIDDLE = { irradiance: 650, cellTemperature: 35 } as const;
/** Least share by which the strings must narrow what was not known. */
const LEARNT = 0.5;
/** Rounds of taking the answer as the next beginning; they settle in three. */
const ROUNDS = 4;

/**
 * Light and heat that the strings of one plane agree on, nobody else being asked: currents give the
 * light, volts the heat. The largest group speaks.
 *
 * @param fieldId a field of the plane that is asked about; null for the plane with most readings
 * @returns conditions with source `siblings`; words where the readings do not settle them
 */
export function conditionsFromPeers(
	record: ArrayRecord,
	visit: EffectiveVisit,
	fieldId: string | null = null
): Result<Conditions, string> {
	let stated = conditionsOf(MIDDLE.irradiance, MIDDLE.cellTemperature, UNASKED.light, UNASKED.heat);
	for (let round = 0; round < ROUNDS; round++) {
		const entry = {
			...stated,
			id: '',
			enteredAt: visit.startedAt,
			by: visit.by,
			basis: '',
			follows: false,
			fieldId
		};
		const peerGroups = peerGroupsOf(record, { ...visit, conditions: [entry] });
		const asked = peerGroups.filter(
			({ plane }) => fieldId === null || plane === null || plane.fieldIds.includes(fieldId)
		);
		const largest = asked.toSorted((a, b) => b.shared.size - a.shared.size)[0];
		if (!largest || largest.shared.size === 0) {
			return refuse(
				'No string has been read yet: measure the operating currents and the open-circuit voltages first.'
			);
		}
		const { shift, information } = largest.estimates[0];
		const [ll, lh, hh] = information;
		const determinant = ll * hh - lh * lh;
		const irradiance = Math.sqrt(hh / determinant);
		const cellTemperature = Math.sqrt(ll / determinant);
		if (irradiance > LEARNT * UNASKED.light || cellTemperature > LEARNT * UNASKED.heat) {
			return refuse(
				irradiance > LEARNT * UNASKED.light
					? 'The irradiance cannot be estimated yet: measure the operating current of some strings, with the operating voltage.'
					: 'The cell temperature cannot be estimated yet: measure the open-circuit voltage of some strings.'
			);
		}
		stated = conditionsOf(
			stated.irradiance.value * Math.exp(shift.irradiance),
			stated.cellTemperature.value + shift.cellTemperature,
			irradiance,
			cellTemperature
		);
	}
	return succeed(stated);
}

function conditionsOf(
	irradiance: number,
	cellTemperature: number,
	relativeStandardUncertainty: number,
	standardUncertainty: number
): Conditions {
	return {
		irradiance: {
			value: irradiance,
			relativeStandardUncertainty,
			source: 'siblings'
		},
		cellTemperature: {
			value: cellTemperature,
			standardUncertainty,
			source: 'siblings'
		}
	};
}
