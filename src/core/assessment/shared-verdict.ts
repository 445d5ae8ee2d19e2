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
	readonly light: { readonly relative: number; readonly standardUncertainty: number };
	/** Effective heat less stated heat, K. */
	readonly heat: { readonly kelvin: number; readonly standardUncertainty: number };
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
	const distance2 = (shift.light / uncertainty.light) ** 2 + (shift.heat / uncertainty.heat) ** 2;
	const tail = Math.exp(-distance2 / 2);
	const distance = -normalQuantile(Math.max(tail, 1e-300) / 2);
	return {
		key: [group.model.type.id, group.plane?.id ?? '', group.presumed ?? ''].join('/'),
		moduleTypeId: group.model.type.id,
		plane: group.plane,
		stringIds: group.strings.map((string) => string.id),
		light: {
			relative: Math.expm1(shift.light),
			standardUncertainty: Math.sqrt(hh / determinant)
		},
		heat: { kelvin: shift.heat, standardUncertainty: Math.sqrt(ll / determinant) },
		verdict: items.length === 0 ? null : gradeOf(distance, limits),
		words: items.length === 0 ? nothingWords(group) : sharedWords(group)
	};
}

function nothingWords({ shared }: PeerGroup): string {
	return shared.size === 0
		? 'Nothing is read yet.'
		: 'No live string is read yet, and dead ones say nothing of light and heat.';
}

function sharedWords({ estimates: [{ shift }], uncertainty }: PeerGroup): string {
	const parts: string[] = [];
	if (Math.abs(shift.light) > WORTH_WORDS * uncertainty.light) {
		const percent = `${Math.abs(100 * Math.expm1(shift.light)).toFixed(0)} %`;
		parts.push(
			shift.light < 0
				? `currents are ${percent} low on all strings alike: less sun than stated, soiling on all of them, or the sensor, not one string`
				: `currents are ${percent} high on all strings alike: more sun than stated, or the sensor, not one string`
		);
	}
	if (Math.abs(shift.heat) > WORTH_WORDS * uncertainty.heat) {
		const kelvin = `${Math.abs(shift.heat).toFixed(0)} K`;
		parts.push(
			`volts of all strings are as of cells ${kelvin} ${shift.heat > 0 ? 'warmer' : 'cooler'} than stated: the temperature, the label or the meter, not one string`
		);
	}
	if (parts.length === 0) return 'The strings together agree with the stated conditions.';
	const sentence = parts.join('; ');
	return `${sentence[0]!.toUpperCase()}${sentence.slice(1)}.`;
}
