import { partsOnward } from '../../record/path';
import type { Part, PartOf } from '../../record/part';
import type { ArrayRecord } from '../../record/record';
import { coldFactor, coldStringVolts } from '../cold-volts';
import { vmpAt } from '../hot-volts';
import { marksOf, stringGroups, type StringGroup } from '../string-groups';
import { amount, PLACES, waitsFor, type Check } from './check';

const COLD = 'Volts of a cold string';
const HOT = 'Tracking window, hot and cold';

/** Limits of volts along the strings' way: what each may show on the coldest morning and the hottest noon. */
export function voltChecks(record: ArrayRecord): Check[] {
	return stringGroups(record).flatMap((group) => [
		coldCheck(record, group),
		...ratingChecks(record, group),
		...windowChecks(record, group)
	]);
}

/** Highest DC volts that an inverter or charge controller bears, V. */
function maximumOf(end: Part | null): number | null {
	return end?.kind === 'inverter' || end?.kind === 'charge-controller' ? end.specs.maxVolts : null;
}

function coldCheck(record: ArrayRecord, { strings, types, end }: StringGroup): Check {
	const about = marksOf(strings);
	const key = `cold/${strings[0].id}`;
	const cold = types?.[0] && coldFactor(types[0].plate, record.rules);
	const base = { key, title: COLD, about, clause: cold?.clause ?? 'NEC 690.7, IEC 62548-1' };
	const missing: string[] = [];
	if (!types) missing.push('the module’s label');
	if (record.rules.lowest === null) missing.push('the lowest air temperature');
	const systemVolts = types?.map(({ limits }) => limits.systemVolts) ?? [];
	const knownLimits = systemVolts.filter((volts) => volts !== null);
	const inverter = maximumOf(end);
	const limit = Math.min(...knownLimits, inverter ?? Infinity);
	if (!Number.isFinite(limit)) {
		missing.push('the module’s maximum system voltage and the highest DC volts at its end');
	}
	if (!types || !cold || missing.length > 0) {
		return waitsFor(base, missing, record.rules.lowest === null ? PLACES.site : PLACES.strings);
	}
	const volts = coldStringVolts(
		types.map(({ id }) => id),
		record.moduleTypes,
		record.rules
	)!;
	const [first] = types;
	const most = Math.floor(limit / (cold.factor * first!.plate.voc));
	const naive = Math.floor(limit / first!.plate.voc);
	const fits = volts <= limit;
	const named = limit === inverter ? `${end!.mark}’s highest DC` : 'the module’s system voltage';
	return {
		...base,
		outcome: fits ? 'fits' : 'finding',
		words: `${types.length} in series reach ${amount(volts, 'V')} cold; ${named} is ${amount(limit, 'V')}${fits ? '' : ': too many in series'}. At most ${most} modules of this type; label Voc alone would say ${naive}, which is not the number to use.`,
		inputs: [
			['modules in series', String(types.length)],
			['label Voc', amount(first!.plate.voc, 'V')],
			['lowest air temperature', `${record.rules.lowest} °C`],
			[
				'module’s maximum system voltage',
				knownLimits.length ? amount(Math.min(...knownLimits), 'V') : 'unknown'
			],
			['highest DC at its end', inverter === null ? 'unknown' : amount(inverter, 'V')]
		],
		formula: `${cold.formula}, times the modules in series`,
		at: PLACES.strings
	};
}

type Rated = PartOf<'combiner'> | PartOf<'dc-disconnect'>;

function ratingChecks(record: ArrayRecord, { strings, types }: StringGroup): Check[] {
	const passed = new Set(strings.flatMap((string) => partsOnward(record, string.to)));
	const rated = [...passed].filter(
		(part): part is Rated => part.kind === 'combiner' || part.kind === 'dc-disconnect'
	);
	return rated.map((part) => {
		const base = {
			key: `rated-volts/${part.id}/${strings[0].id}`,
			title: 'Volts of a switch or box',
			about: part.mark,
			clause: 'NEC 690.7 and 110.4; IEC 62548-1, rated voltage of DC parts, from memory'
		};
		const at = { kind: 'part', id: part.id } as const;
		const volts =
			types &&
			coldStringVolts(
				types.map(({ id }) => id),
				record.moduleTypes,
				record.rules
			);
		const { ratedVolts } = part.specs;
		if (volts === null || ratedVolts === null) {
			return waitsFor(
				base,
				[
					...(volts === null ? ['the strings’ cold volts'] : []),
					...(ratedVolts === null ? [`the rated volts of ${part.mark}`] : [])
				],
				at
			);
		}
		const fits = ratedVolts >= volts;
		return {
			...base,
			outcome: fits ? 'fits' : 'finding',
			words: `Rated ${amount(ratedVolts, 'V')} DC; the strings reach ${amount(volts, 'V')} cold${fits ? '' : ': rated too low'}.`,
			inputs: [
				['cold volts', amount(volts, 'V')],
				['rated DC', amount(ratedVolts, 'V')]
			],
			formula: 'rated volts at or above the cold Voc of the strings through it',
			at
		};
	});
}

function windowChecks(record: ArrayRecord, { strings, types, end }: StringGroup): Check[] {
	if (end?.kind !== 'inverter') return [];
	const base = {
		key: `window/${strings[0].id}`,
		title: HOT,
		about: `${marksOf(strings)} on ${end.mark}`,
		clause: 'the inverter’s label; the rule is common practice'
	};
	const { windowLow, windowHigh } = end.specs;
	const { hottestCell, lowest } = record.rules;
	const missing = [
		...(types ? [] : ['the module’s label']),
		...(hottestCell === null ? ['the hottest cells'] : []),
		...(windowLow === null ? [`where ${end.mark} begins to track`] : [])
	];
	if (!types || hottestCell === null || windowLow === null) {
		const at = windowLow === null ? ({ kind: 'part', id: end.id } as const) : PLACES.site;
		return [waitsFor(base, missing, at)];
	}
	const sum = (heat: number) => types.reduce((volts, type) => volts + vmpAt(type, heat), 0);
	const hot = sum(hottestCell);
	const cold = lowest === null ? null : sum(lowest);
	const low = hot < windowLow;
	const high = windowHigh !== null && cold !== null && cold > windowHigh;
	return [
		{
			...base,
			outcome: low ? 'finding' : high ? 'note' : 'fits',
			words: low
				? `Hot, the string’s Vmp falls to ${amount(hot, 'V')}, below the ${amount(windowLow, 'V')} where ${end.mark} begins to track.`
				: `Vmp is ${amount(hot, 'V')} hot${cold === null ? '' : ` and ${amount(cold, 'V')} cold`}; ${end.mark} tracks from ${amount(windowLow, 'V')}${windowHigh === null ? '' : ` to ${amount(windowHigh, 'V')}`}.${high ? ' On the coldest mornings it is held below its maximum: a loss, no danger.' : ''}`,
			inputs: [
				['modules in series', String(types.length)],
				['hottest cells', `${hottestCell} °C`],
				['window', `${windowLow} to ${windowHigh ?? 'unknown'} V`]
			],
			formula:
				'Vmp of the fitted label in 1000 W/m², translated to the temperature, times the modules in series',
			at: { kind: 'part', id: end.id }
		}
	];
}
