import { type ArrayRecord, parallelStrings, type PartOf, partsOf, stringGroups } from '../record';
import { coldStringVoltage } from './cold-voltage';
import { designIscSum } from './current-limits';
import { earthingConductorArea, IEC_EARTHING_AREA } from './equipment-earthing';
import { rapidShutdownDuty } from '../profiles';
import { amount, answered, notAssessed, PLACES, type Check, type CheckBase } from './check';

/** Protection of people and equipment: rapid shutdown, arc and ground faults, surges, earthing. */
export function protectionChecks(record: ArrayRecord): Check[] {
	return [
		rapidShutdownCheck(record),
		...partsOf(record.parts, 'inverter').flatMap((inverter) => [
			arcFaultCheck(record, inverter),
			groundFaultCheck(record, inverter)
		]),
		...surgeChecks(record),
		...earthingChecks(record)
	];
}

function rapidShutdownCheck(record: ArrayRecord): Check {
	const { rules, system } = record;
	const duty = rapidShutdownDuty(rules);
	const base: CheckBase = {
		key: 'rapid-shutdown',
		code: 'rapid-shutdown',
		title: 'Rapid shutdown',
		about: 'the array',
		places: [],
		clause: duty?.clause ?? 'NEC 690.12, not verified',
		at: PLACES.site
	};
	if (!duty) {
		return notAssessed(base, [
			...(rules.edition === null ? ['the edition of the code'] : []),
			...(rules.structure === null ? ['the structure the array is on'] : [])
		]);
	}
	const inputs = [
		['profile', rules.profile],
		['edition', String(rules.edition ?? 'none')],
		['structure', rules.structure ?? 'not recorded']
	] as const;
	const answer = { required: duty.words, inputs, formula: 'by edition and structure' };
	if (!duty.asked) return answered(base, 'pass', { ...answer, found: 'not required' });
	if (system === null) return notAssessed(base, ['the kind of system'], answer);
	const has = ['rapid-shutdown', 'optimisers', 'micro-inverters'].includes(system);
	return has
		? answered(base, 'note', {
				...answer,
				found: 'module-level electronics on record',
				remark: 'That they switch off is shown by a reading in the inspection, not by the record.'
			})
		: answered(base, 'fail', {
				...answer,
				found: 'no shutdown equipment on record',
				remark:
					'The authority having jurisdiction decides about exemptions and other listed equipment.'
			});
}

/** Highest cold Voc of all strings, V; null where it cannot be worked out. */
function coldest(record: ArrayRecord): {
	readonly voltage: number | null;
	readonly stc: number | null;
} {
	const groups = stringGroups(record);
	if (groups.length === 0) return { voltage: null, stc: null };
	const voltage = groups.map(({ types }) =>
		types === null
			? null
			: coldStringVoltage(
					types.map(({ id }) => id),
					record.moduleTypes,
					record.rules
				)
	);
	const stc = groups.map(
		({ types }) => types && types.reduce((sum, { plate: nameplate }) => sum + nameplate.voc, 0)
	);
	const highest = (figures: readonly (number | null)[]) =>
		figures.includes(null) ? null : Math.max(...figures.map((figure) => figure!));
	return { voltage: highest(voltage), stc: highest(stc) };
}

const ARC_FAULT_FROM = 80;

function arcFaultCheck(record: ArrayRecord, inverter: PartOf<'inverter'>): Check {
	const us = record.rules.profile === 'US';
	const { structure } = record.rules;
	const base: CheckBase = {
		key: `arc-fault/${inverter.id}`,
		code: 'arc-fault-protection',
		title: 'Arc-fault protection of the DC circuits',
		about: inverter.mark,
		places: [{ part: inverter.id }],
		clause: us ? 'NEC 690.11, not verified' : 'IEC 60364-7-712 and IEC 63027, not verified',
		at: { kind: 'part', id: inverter.id }
	};
	const { arcFault } = inverter.specs;
	const found = arcFault === null ? null : arcFault === 'yes' ? 'present' : 'absent';
	if (!us) {
		return answered(base, arcFault === 'yes' ? 'pass' : 'note', {
			required: null,
			found: found ?? 'not recorded',
			remark:
				arcFault === 'yes'
					? ''
					: 'No general requirement; national rules or the insurer may set one.'
		});
	}
	const { voltage: volts, stc } = coldest(record);
	const voltage = volts ?? stc;
	const required = `present from ${ARC_FAULT_FROM} V`;
	if (voltage === null) return notAssessed(base, ['the module’s nameplate'], { required, found });
	if (voltage < ARC_FAULT_FROM) {
		return answered(base, 'pass', { required, found: `${amount(voltage, 'V')} at most` });
	}
	if (arcFault === null) {
		return notAssessed(base, [`arc-fault protection of ${inverter.mark}`], { required });
	}
	if (arcFault === 'no' && (structure === null || structure === 'ground')) {
		return notAssessed(base, ['how the circuits are run'], {
			required,
			found,
			remark: 'From 2017 on, circuits that are neither on nor in a building may be exempt.'
		});
	}
	return answered(base, arcFault === 'yes' ? 'pass' : 'fail', { required, found });
}

function groundFaultCheck(record: ArrayRecord, inverter: PartOf<'inverter'>): Check {
	const us = record.rules.profile === 'US';
	const base: CheckBase = {
		key: `ground-fault/${inverter.id}`,
		code: 'ground-fault-protection',
		title: us ? 'Ground-fault protection' : 'Earth-fault protection',
		about: inverter.mark,
		places: [{ part: inverter.id }],
		clause: us
			? 'NEC 690.41(B), not verified'
			: 'IEC 62548-1 and IEC 62109-2: insulation resistance and residual current; not verified',
		at: { kind: 'part', id: inverter.id }
	};
	const { groundFault } = inverter.specs;
	const required = 'present';
	if (groundFault === null) {
		return notAssessed(base, [`${us ? 'ground' : 'earth'}-fault protection of ${inverter.mark}`], {
			required
		});
	}
	return answered(base, groundFault === 'yes' ? 'pass' : 'fail', {
		required,
		found: groundFault === 'yes' ? 'present' : 'absent'
	});
}

/** Share of Voc at STC that a DC SPD has to withstand continuously: IEC 61643-32, not verified. */
const SPD_FACTOR = 1.2;

function surgeChecks(record: ArrayRecord): Check[] {
	const us = record.rules.profile === 'US';
	const { voltage, stc } = coldest(record);
	return partsOf(record.parts, 'surge')
		.filter(({ specs }) => specs.side === 'DC')
		.map((part) => {
			const base: CheckBase = {
				key: `dc-spd/${part.id}`,
				code: 'dc-spd',
				title: 'Rating of a DC surge protective device',
				about: part.mark,
				places: [{ part: part.id }],
				clause: us
					? 'NEC 242 and 690.7: rated for the maximum system voltage; not verified'
					: 'IEC 61643-32 and IEC 60364-7-712: Ucpv ≥ 1.2 × Voc at STC; not verified',
				at: { kind: 'part', id: part.id }
			};
			const { ratedVolts: ratedVoltage, window } = part.specs;
			const found = `${ratedVoltage === null ? 'rating not recorded' : amount(ratedVoltage, 'V')}${window === null || window === 'none' ? '' : `, state window ${window}`}`;
			if (window === 'spent') {
				return answered(base, 'fail', {
					required: 'state window good',
					found,
					remark: 'A spent device protects nothing: replace it.'
				});
			}
			if (ratedVoltage === null || voltage === null || stc === null) {
				return notAssessed(
					base,
					[
						...(ratedVoltage === null ? [`the rated voltage of ${part.mark}`] : []),
						...(stc === null
							? ['the module’s nameplate']
							: voltage === null
								? ['the lowest air temperature']
								: [])
					],
					{ found }
				);
			}
			const least = us ? voltage : Math.max(SPD_FACTOR * stc, voltage);
			return answered(base, ratedVoltage >= least ? 'pass' : 'fail', {
				required: `≥ ${amount(least, 'V')}`,
				found,
				inputs: [
					['Voc of the longest string at STC', amount(stc, 'V')],
					['cold', amount(voltage, 'V')]
				],
				formula: us ? 'cold Voc of the strings' : '1.2 × Voc at STC, and the cold Voc'
			});
		});
}

function earthingChecks(record: ArrayRecord): Check[] {
	const us = record.rules.profile === 'US';
	return partsOf(record.parts, 'conductor')
		.filter(({ specs }) => specs.use === 'earth')
		.map((part) => {
			const base: CheckBase = {
				key: `earthing/${part.id}`,
				code: 'earthing-conductor',
				title: us ? 'Equipment grounding conductor' : 'Bonding conductor of the array',
				about: part.mark,
				places: [{ part: part.id }],
				clause: us
					? 'NEC 690.45 and Table 250.122, not verified'
					: 'IEC 62548-1 and IEC 60364-7-712: at least 6 mm² copper; not verified',
				at: { kind: 'part', id: part.id }
			};
			const { size, material } = part.specs;
			const required = us
				? necEarthing(record, material ?? 'copper')
				: IEC_EARTHING_AREA[material ?? 'copper'];
			if (size === null || required === null) {
				return notAssessed(base, [
					...(size === null ? ['its size'] : []),
					...(required === null ? ['the string fuses or the module’s nameplate'] : [])
				]);
			}
			const fits = size >= required * 0.97;
			const answer = {
				required: `≥ ${amount(required, 'mm²')} ${material ?? 'copper'}`,
				found: amount(size, 'mm²'),
				formula: us
					? 'by the largest overcurrent device ahead of it, or 1.56 × Isc where there is none'
					: ''
			};
			return fits &&
				material === null &&
				size < (us ? necEarthing(record, 'aluminium')! : IEC_EARTHING_AREA.aluminium) * 0.97
				? notAssessed(base, ['its material'], answer)
				: answered(base, fits ? 'pass' : 'fail', answer);
		});
}

/** Size for the strongest circuit of the array, mm2; null where its current is not known. */
function necEarthing(record: ArrayRecord, material: 'copper' | 'aluminium'): number | null {
	const fuses = [
		...record.strings.flatMap(({ fuse }) =>
			fuse === null || fuse === 'unknown' ? [] : (fuse.rating ?? [])
		),
		...partsOf(record.parts, 'combiner').flatMap(({ specs }) => specs.outputFuse ?? [])
	];
	// Without an overcurrent device the table is read at the maximum current of the circuit: 690.45.
	const currents = parallelStrings(record).map(({ strings }) => designIscSum(strings, record));
	if (currents.length === 0 || currents.includes(null)) return null;
	const largest = Math.max(...fuses, ...currents.map((isc) => 1.5625 * isc!));
	return earthingConductorArea(largest, material);
}
