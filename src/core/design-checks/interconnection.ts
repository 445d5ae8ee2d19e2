import {
	acPower,
	type ArrayRecord,
	dcAcRatio,
	labelPower,
	type PartOf,
	partsOf,
	partsOnward
} from '../record';
import { IEC_RATINGS, NEC_RATINGS, nextRating } from './cables/standard-ratings';
import { INVERTER_FACTOR, necBusbar } from '../profiles';
import {
	amount,
	answered,
	notAssessed,
	PLACES,
	stringPlaces,
	type Check,
	type CheckBase
} from './check';

type Breaker = PartOf<'breaker'>;
type Bus = PartOf<'bus'>;

/** Where the array meets the building's supply: busbar, breaker, and the ratio of DC to AC. */
export function interconnectionChecks(record: ArrayRecord): Check[] {
	return [...busbarChecks(record), ...breakerChecks(record), ...ratioCheck(record)];
}

/** Inverters whose power passes a part. */
function invertersInto(record: ArrayRecord, id: string): PartOf<'inverter'>[] {
	return partsOf(record.parts, 'inverter').filter((inverter) =>
		partsOnward(record, inverter.to).some((part) => part.id === id)
	);
}

/** AC current of all that feeds a part, A: inverters, and micro-inverters of its branches; null where one states none. */
function acCurrentInto(record: ArrayRecord, id: string): number | null {
	const inverters = invertersInto(record, id).map(({ specs }) => specs.acAmps);
	const branches = record.strings.flatMap((string) => {
		const { devices } = string;
		if (devices === null || devices === 'unknown' || devices.kind !== 'micro-inverter') return [];
		if (!partsOnward(record, string.to).some((part) => part.id === id)) return [];
		const type = partsOf(record.parts, 'micro-inverter').find((one) => one.id === devices.part);
		const each = type?.specs.acAmps ?? null;
		return [each === null ? null : each * Math.ceil(string.moduleCount / devices.modulesPerDevice)];
	});
	const all = [...inverters, ...branches];
	return all.length === 0 || all.includes(null)
		? null
		: all.reduce<number>((sum, current) => sum + current!, 0);
}

/** Whether anything of the array feeds a part. */
function isFed(record: ArrayRecord, id: string): boolean {
	return (
		invertersInto(record, id).length > 0 ||
		record.strings.some((string) => partsOnward(record, string.to).some((part) => part.id === id))
	);
}

/** PV breakers on a busbar. */
function breakersOn(record: ArrayRecord, bus: Bus): Breaker[] {
	return partsOf(record.parts, 'breaker').filter(
		(breaker) =>
			isFed(record, breaker.id) && partsOnward(record, breaker.to).some(({ id }) => id === bus.id)
	);
}

function busbarChecks(record: ArrayRecord): Check[] {
	return partsOf(record.parts, 'bus').flatMap((bus): Check[] => {
		if (!isFed(record, bus.id)) return [];
		const us = record.rules.profile === 'US';
		const breakers = breakersOn(record, bus);
		const base: CheckBase = {
			key: `busbar/${bus.id}`,
			code: 'busbar',
			title: 'Sources on a busbar',
			about: bus.mark,
			places: [{ part: bus.id }, ...breakers.map(({ id }) => ({ part: id }))],
			clause: us
				? 'NEC 705.12(B)(3) (2020; 705.12(D)(2)(3) in 2014, 705.12(B)(2)(3) in 2017), not verified'
				: 'IEC 60364-5-55, 551.7.2, and IEC 61439-1, rated current of an assembly; not verified',
			at: { kind: 'part', id: bus.id }
		};
		const { busAmps: busCurrent, mainAmps: mainCurrent } = bus.specs;
		const current = acCurrentInto(record, bus.id);
		const supply =
			breakers.length > 0 && breakers.every(({ specs }) => specs.connection === 'supply side');
		if (supply) return [supplySideCheck(base, bus, breakers, us)];
		if (busCurrent === null || mainCurrent === null || current === null) {
			return [
				notAssessed(base, [
					...(busCurrent === null ? ['the busbar rating'] : []),
					...(mainCurrent === null ? ['the rating of the main breaker'] : []),
					...(current === null ? ['the AC current of the inverters'] : [])
				])
			];
		}
		const inputs = [
			['busbar rating', amount(busCurrent, 'A')],
			['main breaker', amount(mainCurrent, 'A')],
			['AC current of the inverters', amount(current, 'A')]
		] as const;
		if (!us) {
			const sum = mainCurrent + current;
			return [
				answered(base, sum <= busCurrent ? 'pass' : 'fail', {
					required: `≤ ${amount(busCurrent, 'A')} of main and inverters together`,
					found: amount(sum, 'A'),
					inputs,
					formula: 'main breaker + inverter current ≤ rated current of the busbar'
				})
			];
		}
		return [necCheck(record, base, bus, { busCurrent, mainCurrent, current }, breakers, inputs)];
	});
}

function necCheck(
	record: ArrayRecord,
	base: CheckBase,
	bus: Bus,
	{
		busCurrent,
		mainCurrent,
		current
	}: { busCurrent: number; mainCurrent: number; current: number },
	breakers: readonly Breaker[],
	inputs: Check['inputs']
): Check {
	const { structure } = record.rules;
	const ends = breakers.map(({ specs }) => specs.farEnd);
	const { feed, breakersAmps: breakersCurrent, powerControlAmps: powerControlCurrent } = bus.specs;
	const alternatives = necBusbar({
		bus: busCurrent,
		main: mainCurrent,
		inverters: current,
		farEnd: ends.includes('no') ? false : ends.length === 0 || ends.includes(null) ? null : true,
		breakers: breakersCurrent,
		centreFed: feed === null ? null : feed === 'centre',
		dwelling: structure === null || structure === 'building' ? null : structure === 'dwelling',
		powerControl: powerControlCurrent
	});
	const needs = INVERTER_FACTOR * current;
	const position = ends.includes('no')
		? ', PV breaker not at the far end'
		: ends.length > 0 && ends.every((end) => end === 'yes')
			? ', PV breaker at the far end'
			: '';
	const answer = {
		found: `main ${amount(mainCurrent, 'A')} + 1.25 × ${amount(current, 'A')} = ${amount(mainCurrent + needs, 'A')} on ${amount(busCurrent, 'A')}${position}`,
		inputs,
		formula: alternatives.map(({ words, clause }) => `${words} (${clause})`).join('; or ')
	};
	const met = alternatives.find((one) => one.met === true);
	const room = 1.2 * busCurrent - mainCurrent;
	const remark = `At the far end of this busbar there is room for a PV breaker of ${amount(Math.max(room, 0), 'A')}, so for ${amount(Math.max(room, 0) / INVERTER_FACTOR, 'A')} of inverter current.`;
	if (met) return answered(base, 'pass', { ...answer, required: met.words, remark });
	const required = 'one of the alternatives of 705.12(B)(3)';
	// The position of the breaker can be seen; the other alternatives have to be shown by who claims them.
	const open = alternatives.filter(
		({ code, met: is }) => is === null && (code === 'opposite-end' || code === 'centre-fed')
	);
	if (open.length > 0) {
		return notAssessed(base, [...new Set(open.map(({ missing }) => missing))], {
			...answer,
			required
		});
	}
	const claims = alternatives.filter((one) => one.met === null).map(({ missing }) => missing);
	return answered(base, 'fail', {
		...answer,
		required,
		remark: `${remark}${claims.length > 0 ? ` Record ${claims.join(' or ')} if one of those alternatives applies.` : ''}`
	});
}

function supplySideCheck(
	base: CheckBase,
	bus: Bus,
	breakers: readonly Breaker[],
	us: boolean
): Check {
	const on = {
		...base,
		clause: us ? 'NEC 705.11 (2020), not verified' : 'IEC 60364-5-55, 551.7, not verified'
	};
	const { mainAmps: mainCurrent } = bus.specs;
	const ratings = breakers.map(({ specs }) => specs.amps);
	if (mainCurrent === null || ratings.includes(null)) {
		return notAssessed(on, [
			...(mainCurrent === null ? ['the rating of the service or main breaker'] : []),
			...(ratings.includes(null) ? ['the rating of the PV breaker'] : [])
		]);
	}
	const sum = ratings.reduce<number>((total, current) => total + current!, 0);
	return answered(on, sum <= mainCurrent ? 'pass' : 'fail', {
		required: `≤ ${amount(mainCurrent, 'A')} (rating of the service)`,
		found: `${amount(sum, 'A')} of PV breakers on the supply side`,
		formula:
			'overcurrent devices of the sources on the supply side against the rating of the service'
	});
}

function breakerChecks(record: ArrayRecord): Check[] {
	return partsOf(record.parts, 'breaker').flatMap((breaker): Check[] => {
		if (!isFed(record, breaker.id)) return [];
		const us = record.rules.profile === 'US';
		const base: CheckBase = {
			key: `breaker/${breaker.id}`,
			code: 'pv-breaker',
			title: 'Rating of the PV breaker',
			about: breaker.mark,
			places: [{ part: breaker.id }],
			clause: us
				? 'NEC 690.9(B) and 705.30, 1.25 × continuous current; not verified'
				: 'IEC 60364-4-43, Ib ≤ In ≤ Iz; not verified',
			at: { kind: 'part', id: breaker.id }
		};
		const current = acCurrentInto(record, breaker.id);
		const rating = breaker.specs.amps;
		if (current === null || rating === null) {
			return [
				notAssessed(base, [
					...(current === null ? ['the AC current of the inverters'] : []),
					...(rating === null ? ['the rating of the breaker'] : [])
				])
			];
		}
		const least = us ? INVERTER_FACTOR * current : current;
		const limits = invertersInto(record, breaker.id).flatMap(({ specs }) => specs.maxBreaker ?? []);
		const stated = limits.length > 0 ? Math.min(...limits) : null;
		const most =
			stated ?? nextRating(us ? NEC_RATINGS : IEC_RATINGS, INVERTER_FACTOR * current) ?? Infinity;
		const answer = {
			required: `${amount(least, 'A')} to ${amount(most, 'A')}`,
			found: amount(rating, 'A'),
			inputs: [
				['AC current of the inverters', amount(current, 'A')],
				[
					'largest breaker by the inverter’s instructions',
					stated === null ? 'not recorded' : amount(stated, 'A')
				]
			],
			formula: `at least ${us ? '1.25 × ' : ''}the continuous current; at most what the inverter’s instructions allow, or the next standard rating above 1.25 × the current where they are not recorded`
		} as const;
		if (rating < least) {
			return [answered(base, 'fail', { ...answer, remark: 'It trips in hours of full power.' })];
		}
		if (rating > most) {
			return [
				answered(base, 'fail', {
					...answer,
					remark:
						stated === null
							? 'Too large to protect the inverter’s output, unless its instructions allow it: record the largest breaker they state.'
							: 'Larger than the inverter’s instructions allow.'
				})
			];
		}
		if (rating < INVERTER_FACTOR * current) {
			return [
				answered(base, 'note', {
					...answer,
					remark: 'Below 1.25 × the current a warm breaker may trip in hours of full power.'
				})
			];
		}
		return [answered(base, 'pass', answer)];
	});
}

function ratioCheck(record: ArrayRecord): Check[] {
	if (record.system === 'off-grid') return [];
	const ac = acPower(record);
	const ratio = dcAcRatio(record);
	const base: CheckBase = {
		key: 'ratio',
		code: 'dc-ac-ratio',
		title: 'Rated DC power over AC power',
		about: 'the array',
		places: stringPlaces(record.strings),
		clause: 'common practice, no limit',
		at: { kind: 'part-kind', part: 'inverter' }
	};
	if (ratio === null || ac === null) return [notAssessed(base, ['the AC power of the inverters'])];
	return [
		answered({ ...base, at: PLACES.strings }, 'note', {
			required: null,
			found: ratio.toFixed(2),
			remark: ratio > 1.5 ? 'Power plateaus on clear days are inverter clipping, not a fault.' : '',
			inputs: [
				['rated DC power', amount(labelPower(record) / 1000, 'kW')],
				['AC power', amount(ac / 1000, 'kW')]
			],
			formula: 'rated power of all modules over the continuous AC power of all inverters'
		})
	];
}
