import { inputsOf, partsOnward } from '../../record/path';
import { partsOf, type Part } from '../../record/part';
import type { ArrayRecord, StringRecord } from '../../record/record';
import { ampacityOf } from '../ampacity';
import { conductorFit } from '../conductor-fit';
import { CURRENT as IEC } from '../profiles/iec';
import { CURRENT as US } from '../profiles/us';
import { highestIsc, marksOf } from '../string-groups';
import { amount, waitsFor, type Check } from './check';

/** Limits of current: switches, boxes, inputs and conductors against what the strings can deliver. */
export function currentChecks(record: ArrayRecord): Check[] {
	return [...ratedCurrents(record), ...inputCurrents(record), ...conductorChecks(record)];
}

/** Label Isc of strings together, A; null where a label is missing. */
function sumOfIsc(record: ArrayRecord, strings: readonly StringRecord[]): number | null {
	return strings.reduce<number | null>((sum, string) => {
		const isc = highestIsc(string, record.moduleTypes);
		return sum === null || isc === null ? null : sum + isc;
	}, 0);
}

/** Strings whose current passes a part. */
function stringsThrough(record: ArrayRecord, part: Part): StringRecord[] {
	return record.strings.filter((string) => partsOnward(record, string.to).includes(part));
}

function ratedCurrents(record: ArrayRecord): Check[] {
	const { factor, clause } = record.rules.profile === 'US' ? US.maximum : IEC.maximum;
	return [...partsOf(record.parts, 'combiner'), ...partsOf(record.parts, 'dc-disconnect')].flatMap(
		(part) => {
			const strings = stringsThrough(record, part);
			if (strings.length === 0) return [];
			const at = { kind: 'part', id: part.id } as const;
			const base = {
				key: `rated-amps/${part.id}`,
				title: 'Current of a switch or box',
				about: part.mark,
				clause
			};
			const isc = sumOfIsc(record, strings);
			const { ratedAmps } = part.specs;
			if (isc === null || ratedAmps === null) {
				return [
					waitsFor(
						base,
						[isc === null ? 'the module’s label' : `the rated current of ${part.mark}`],
						at
					)
				];
			}
			const amps = factor * isc;
			const fits = ratedAmps >= amps;
			return [
				{
					...base,
					outcome: fits ? ('fits' as const) : ('finding' as const),
					words: `Rated ${amount(ratedAmps, 'A')}; ${marksOf(strings)} can bring ${amount(amps, 'A')}${fits ? '' : ': rated too low'}.`,
					inputs: [
						['strings through it', String(strings.length)],
						['label Isc together', amount(isc, 'A')]
					] as const,
					formula: `${factor} x the sum of Isc`,
					at
				}
			];
		}
	);
}

function inputCurrents(record: ArrayRecord): Check[] {
	const ends = [
		...partsOf(record.parts, 'inverter'),
		...partsOf(record.parts, 'charge-controller')
	];
	return ends.flatMap((part) =>
		inputsOf(part).flatMap((input) => {
			const strings = record.strings.filter((string) => string.input === input);
			if (strings.length === 0) return [];
			const at = { kind: 'part', id: part.id } as const;
			const base = {
				key: `input/${part.id}/${input}`,
				title: 'Current into an input',
				about: `${part.mark}, input ${input}`,
				clause: 'the maker’s label'
			};
			const isc = sumOfIsc(record, strings);
			const limit = part.specs.inputAmps;
			if (isc === null || limit === null) {
				return [
					waitsFor(base, [isc === null ? 'the module’s label' : 'the input’s highest current'], at)
				];
			}
			const fits = isc <= limit;
			return [
				{
					...base,
					outcome: fits ? ('fits' as const) : ('finding' as const),
					words: `${marksOf(strings)} can bring ${amount(isc, 'A')}; the input bears ${amount(limit, 'A')}${fits ? '' : ': more than it bears'}.`,
					inputs: [['strings on it', String(strings.length)]] as const,
					formula: 'the sum of label Isc against the input’s limit',
					at
				}
			];
		})
	);
}

function conductorChecks(record: ArrayRecord): Check[] {
	return partsOf(record.parts, 'conductor').flatMap((part) => {
		const { use } = part.specs;
		if (use !== 'one string' && use !== 'combiner output') return [];
		const at = { kind: 'part', id: part.id } as const;
		const us = record.rules.profile === 'US';
		const strings = use === 'one string' ? record.strings.slice(0, 1) : stringsFed(record, part);
		const isc = sumOfIsc(record, strings);
		const ampacity = ampacityOf(part, record.rules);
		const base = {
			key: `conductor/${part.id}`,
			title: 'Conductor',
			about: part.mark,
			clause: ampacity.known ? ampacity.clause : us ? US.continuous.clause : IEC.maximum.clause
		};
		if (!ampacity.known || isc === null || strings.length === 0) {
			const missing = ampacity.known ? ['the strings that feed it'] : ampacity.missing;
			return [waitsFor(base, missing, at)];
		}
		const { fits, words, formula, clause } = conductorFit(ampacity, isc, record.rules);
		return [
			{
				...base,
				clause,
				outcome: fits ? ('fits' as const) : ('finding' as const),
				words,
				inputs: [
					['label Isc together', amount(isc, 'A')],
					['size', `${part.specs.size} mm²`]
				] as const,
				formula,
				at
			}
		];
	});
}

/** Strings that meet in the part that this conductor leaves: its own way tells which. */
function stringsFed(record: ArrayRecord, conductor: Part): StringRecord[] {
	return record.strings.filter((string) =>
		partsOnward(record, string.to).some(({ id }) => id === conductor.id)
	);
}
