import type { Plane } from '../record';
import { normalQuantile } from '../numerics';
import type { PeerGroup } from '../expectation';
import { gradeOf, type Grade, type Thresholds } from './verdict';

/** What the strings of a group have in common, against the stated conditions. */
export interface GroupVerdict {
	/** Of its module type and plane, stable within a record. */
	readonly key: string;
	readonly moduleTypeId: string;
	/** Null where the record does not tell which way the strings face. */
	readonly plane: Pick<Plane, 'id' | 'name' | 'tilt' | 'azimuth'> | null;
	readonly stringIds: readonly string[];
	/** Effective light over stated light, less 1. */
	readonly irradiance: { readonly relative: number; readonly standardUncertainty: number };
	/** Effective heat less stated heat, K. */
	readonly cellTemperature: { readonly kelvin: number; readonly standardUncertainty: number };
	/** Of the common shift, not of any string; null before anything is read. */
	readonly verdict: Grade | null;
	readonly words: string;
}

/** A shift below this many standard uncertainties of the stated condition is not worth words. */
const WORTH_WORDS = 1.5;

/**
 * Judges the common shift as one more item of the visit: its squared distance from the stated
 * conditions follows chi-squared with two degrees of freedom where all is well.
 */
export function judgeGroup(group: PeerGroup, limits: Thresholds): GroupVerdict {
	const { shift, information, items } = group.estimates[0];
	const { uncertainty } = group;
	const [ll, lh, hh] = information;
	const determinant = ll * hh - lh * lh;
	const distance2 =
		(shift.irradiance / uncertainty.irradiance) ** 2 +
		(shift.cellTemperature / uncertainty.cellTemperature) ** 2;
	const tail = Math.exp(-distance2 / 2);
	const distance = -normalQuantile(Math.max(tail, 1e-300) / 2);
	return {
		key: [group.model.type.id, group.plane?.id ?? '', group.presumed ?? ''].join('/'),
		moduleTypeId: group.model.type.id,
		plane: group.plane,
		stringIds: group.strings.map((string) => string.id),
		irradiance: {
			relative: Math.expm1(shift.irradiance),
			standardUncertainty: Math.sqrt(hh / determinant)
		},
		cellTemperature: {
			kelvin: shift.cellTemperature,
			standardUncertainty: Math.sqrt(ll / determinant)
		},
		verdict: items.length === 0 ? null : gradeOf(distance, limits),
		words: items.length === 0 ? nothingWords(group) : sharedWords(group)
	};
}

function nothingWords({ shared }: PeerGroup): string {
	return shared.size === 0
		? 'Nothing is read yet.'
		: 'No producing string has been read yet; strings without voltage give no irradiance or cell temperature.';
}

function sharedWords({ estimates: [{ shift }], uncertainty }: PeerGroup): string {
	const parts: string[] = [];
	if (Math.abs(shift.irradiance) > WORTH_WORDS * uncertainty.irradiance) {
		const percent = `${Math.abs(100 * Math.expm1(shift.irradiance)).toFixed(0)} %`;
		parts.push(
			shift.irradiance < 0
				? `currents are ${percent} low on all strings alike: less sun than stated, soiling on all of them, or the sensor, not one string`
				: `currents are ${percent} high on all strings alike: more sun than stated, or the sensor, not one string`
		);
	}
	if (Math.abs(shift.cellTemperature) > WORTH_WORDS * uncertainty.cellTemperature) {
		const kelvin = `${Math.abs(shift.cellTemperature).toFixed(0)} K`;
		parts.push(
			`voltages of all strings match cells ${kelvin} ${shift.cellTemperature > 0 ? 'warmer' : 'cooler'} than stated: check the temperature, the nameplate or the meter, not one string`
		);
	}
	if (parts.length === 0) return 'The strings together agree with the stated conditions.';
	const sentence = parts.join('; ');
	return `${sentence[0]!.toUpperCase()}${sentence.slice(1)}.`;
}
