import {
	type ArrayRecord,
	inputsOf,
	type Part,
	partsOf,
	partsOnward,
	type StringRecord
} from '../record';
import { designIscSum } from './current-limits';
import { IEC_CURRENT as IEC, US_CURRENT as US } from '../profiles';
import { amount, answered, notAssessed, type Check, type CheckBase } from './check';

/** Current of combiners, disconnects and inputs against what their strings can produce. */
export function currentChecks(record: ArrayRecord): Check[] {
	return [...ratedCurrents(record), ...inputCurrents(record)];
}

/** Strings whose current passes a part. */
export function stringsThrough(record: ArrayRecord, part: Part): StringRecord[] {
	return record.strings.filter((string) =>
		partsOnward(record, string.to).some(({ id }) => id === part.id)
	);
}

function ratedCurrents(record: ArrayRecord): Check[] {
	const { factor, clause } = record.rules.profile === 'US' ? US.maximum : IEC.maximum;
	return [...partsOf(record.parts, 'combiner'), ...partsOf(record.parts, 'dc-disconnect')].flatMap(
		(part) => {
			const strings = stringsThrough(record, part);
			if (strings.length === 0) return [];
			const base: CheckBase = {
				key: `rated-amps/${part.id}`,
				code: 'rated-current',
				title: 'Rated current of a combiner or disconnect',
				about: part.mark,
				places: [{ part: part.id }],
				clause,
				at: { kind: 'part', id: part.id }
			};
			const isc = designIscSum(strings, record);
			const { ratedAmps: ratedCurrent } = part.specs;
			if (isc === null || ratedCurrent === null) {
				return [
					notAssessed(base, [
						...(isc === null ? ['the module’s nameplate'] : []),
						...(ratedCurrent === null ? [`the rated current of ${part.mark}`] : [])
					])
				];
			}
			const required = factor * isc;
			return [
				answered(base, ratedCurrent >= required ? 'pass' : 'fail', {
					required: `≥ ${amount(required, 'A')}`,
					found: amount(ratedCurrent, 'A'),
					inputs: [
						['strings through it', String(strings.length)],
						['Isc together', amount(isc, 'A')]
					],
					formula: `${factor} × the sum of Isc`
				})
			];
		}
	);
}

function inputCurrents(record: ArrayRecord): Check[] {
	const { factor, clause } = record.rules.profile === 'US' ? US.maximum : IEC.maximum;
	const ends = [
		...partsOf(record.parts, 'inverter'),
		...partsOf(record.parts, 'charge-controller')
	];
	return ends.flatMap((part) =>
		inputsOf(part).flatMap((input) => {
			const strings = record.strings.filter((string) => string.input === input);
			if (strings.length === 0) return [];
			const base: CheckBase = {
				key: `input/${part.id}/${input}`,
				code: 'input-current',
				title: 'Short-circuit current into an input',
				about: `${part.mark}, input ${input}`,
				places: [{ part: part.id }, { input }],
				clause: `the nameplate of ${part.mark}; ${clause}`,
				at: { kind: 'part', id: part.id }
			};
			const isc = designIscSum(strings, record);
			const limit = part.specs.inputAmps;
			if (isc === null || limit === null) {
				return [
					notAssessed(base, [
						...(isc === null ? ['the module’s nameplate'] : []),
						...(limit === null
							? [`the maximum short-circuit current of an input of ${part.mark}`]
							: [])
					])
				];
			}
			const current = factor * isc;
			return [
				answered(base, current <= limit ? 'pass' : 'fail', {
					required: `≤ ${amount(limit, 'A')}`,
					found: `${amount(current, 'A')} (${amount(isc, 'A')} × ${factor})`,
					inputs: [['strings on it', String(strings.length)]],
					formula: `${factor} × the sum of Isc against the maximum of the input`
				})
			];
		})
	);
}
