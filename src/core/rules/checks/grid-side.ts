import { partsOnward } from '../../record/path';
import { acPower, dcAcRatio, labelPower } from '../../record/label-power';
import { partsOf, type PartOf } from '../../record/part';
import type { ArrayRecord } from '../../record/record';
import { rapidShutdownDuty } from '../profiles/rapid-shutdown';
import { BUS_RULE } from '../profiles/us';
import { amount, PLACES, waitsFor, type Check } from './check';

/** What the array meets at the building: bus, breaker, rapid-shutdown duty, and how it is sized. */
export function gridSideChecks(record: ArrayRecord): Check[] {
	return [
		...busChecks(record),
		...breakerChecks(record),
		rapidShutdownCheck(record),
		...ratioCheck(record)
	];
}

/** Inverters whose power passes a part. */
function invertersInto(record: ArrayRecord, id: string): PartOf<'inverter'>[] {
	return partsOf(record.parts, 'inverter').filter((inverter) =>
		partsOnward(record, inverter.to).some((part) => part.id === id)
	);
}

/** AC current of inverters together, A; null where one states none. */
function acAmps(inverters: readonly PartOf<'inverter'>[]): number | null {
	return inverters.reduce<number | null>(
		(sum, { specs }) => (sum === null || specs.acAmps === null ? null : sum + specs.acAmps),
		0
	);
}

function busChecks(record: ArrayRecord): Check[] {
	if (record.rules.profile !== 'US') return [];
	return partsOf(record.parts, 'bus').flatMap((bus): Check[] => {
		const inverters = invertersInto(record, bus.id);
		if (inverters.length === 0) return [];
		const at = { kind: 'part', id: bus.id } as const;
		const base = {
			key: `bus/${bus.id}`,
			title: 'Sources on a bus',
			about: bus.mark,
			clause: BUS_RULE.clause
		};
		const { busAmps, mainAmps } = bus.specs;
		const amps = acAmps(inverters);
		const missing = [
			...(busAmps === null ? ['the bus rating'] : []),
			...(mainAmps === null ? ['the main breaker'] : []),
			...(amps === null ? ['the inverter’s AC current'] : [])
		];
		if (busAmps === null || mainAmps === null || amps === null)
			return [waitsFor(base, missing, at)];
		const room = BUS_RULE.share * busAmps - mainAmps;
		const wanted = BUS_RULE.inverter * amps;
		const fits = wanted <= room;
		return [
			{
				...base,
				outcome: fits ? 'fits' : 'finding',
				words: `Main ${amount(mainAmps, 'A')} on a bus of ${amount(busAmps, 'A')} leaves ${amount(room, 'A')} for PV, so inverters of at most ${amount(room / BUS_RULE.inverter, 'A')}; here are ${amount(amps, 'A')}.`,
				inputs: [
					['bus rating', amount(busAmps, 'A')],
					['main breaker', amount(mainAmps, 'A')],
					['inverters', amount(amps, 'A')]
				],
				formula:
					'main breaker + 1.25 x inverter current ≤ 1.2 x bus rating, with the PV breaker at the far end of the bus',
				at
			}
		];
	});
}

function breakerChecks(record: ArrayRecord): Check[] {
	return partsOf(record.parts, 'breaker').flatMap((breaker): Check[] => {
		const inverters = invertersInto(record, breaker.id);
		if (inverters.length === 0) return [];
		const at = { kind: 'part', id: breaker.id } as const;
		const base = {
			key: `breaker/${breaker.id}`,
			title: 'PV breaker',
			about: breaker.mark,
			clause: 'NEC 690.9(B) and 705.60, 1.25 x continuous current; IEC 60364-4-43, from memory'
		};
		const amps = acAmps(inverters);
		const rating = breaker.specs.amps;
		if (amps === null || rating === null) {
			return [waitsFor(base, [amps === null ? 'the inverter’s AC current' : 'its rating'], at)];
		}
		const wanted = 1.25 * amps;
		const fits = rating >= wanted;
		return [
			{
				...base,
				outcome: fits ? 'fits' : 'finding',
				words: `Rated ${amount(rating, 'A')}; the inverters bring ${amount(amps, 'A')} all day, which asks for ${amount(wanted, 'A')}${fits ? '' : ': it will trip warm'}.`,
				inputs: [['inverters’ AC current', amount(amps, 'A')]],
				formula: 'rating at or above 1.25 x the inverters’ continuous current',
				at
			}
		];
	});
}

function rapidShutdownCheck(record: ArrayRecord): Check {
	const duty = rapidShutdownDuty(record.rules);
	const base = {
		key: 'rapid-shutdown',
		title: 'Rapid shutdown',
		about: 'the array',
		clause: duty?.clause ?? 'NEC 690.12'
	};
	if (!duty) {
		const missing = [
			...(record.rules.edition === null ? ['the edition of the code'] : []),
			...(record.rules.structure === null ? ['what the array stands on'] : [])
		];
		return waitsFor(base, missing, PLACES.site);
	}
	const has = ['rapid-shutdown', 'optimisers', 'micro-inverters'].includes(record.system ?? '');
	const lacking = duty.asked && record.system !== null && !has;
	return {
		...base,
		outcome: lacking ? 'finding' : duty.asked && !has ? 'note' : 'fits',
		words: `${duty.words}${lacking ? ' Nothing behind the modules does that here; conductors inside the boundary may be exempt in the edition.' : ''} The authority having jurisdiction decides. A device is no proof of dead: a reading is.`,
		inputs: [
			['profile', record.rules.profile],
			['edition', String(record.rules.edition ?? 'none')],
			['structure', record.rules.structure ?? 'unknown']
		],
		formula: 'by edition and structure',
		at: PLACES.site
	};
}

function ratioCheck(record: ArrayRecord): Check[] {
	const ac = acPower(record);
	const ratio = dcAcRatio(record);
	const base = {
		key: 'ratio',
		title: 'Label power over AC power',
		about: 'the array',
		clause: 'common practice, no limit'
	};
	if (record.system === 'off-grid') return [];
	if (ratio === null || ac === null) {
		return [waitsFor(base, ['the inverters’ AC power'], { kind: 'part-kind', part: 'inverter' })];
	}
	return [
		{
			...base,
			outcome: 'note',
			words: `${(labelPower(record) / 1000).toFixed(1)} kW of label on ${(ac / 1000).toFixed(1)} kW of AC: ${ratio.toFixed(2)}.${ratio > 1.5 ? ' Flat tops on clear days are to be expected: clipping, not a fault.' : ''}`,
			inputs: [
				['label power', amount(labelPower(record), 'W')],
				['AC power', amount(ac, 'W')]
			],
			formula: 'label power of all modules over the continuous AC power of all inverters',
			at: PLACES.strings
		}
	];
}
