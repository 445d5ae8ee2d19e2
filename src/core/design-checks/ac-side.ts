import { type ArrayRecord, type PartOf, partsOf, partsOnward } from '../record';
import { recordedRating } from './cables/recorded-cable';
import { uncorrectedAmpacity } from './cables/required-current';
import { INVERTER_FACTOR } from '../profiles';
import { amount, answered, notAssessed, type Check, type CheckBase } from './check';

type Conductor = PartOf<'conductor'>;

/** Conductors between inverter and supply: ampacity, and how far they lift the inverter's voltage. */
export function acConductorChecks(record: ArrayRecord): Check[] {
	return partsOf(record.parts, 'conductor')
		.filter(({ specs }) => specs.use === 'inverter output')
		.flatMap((part) => [ampacityCheck(record, part), voltageRiseCheck(record, part)]);
}

/** Inverters that a conductor of theirs carries; the only one of the record where it names no way. */
function invertersOf(record: ArrayRecord, conductor: Conductor): readonly PartOf<'inverter'>[] {
	const all = partsOf(record.parts, 'inverter');
	const own = all.filter((inverter) =>
		partsOnward(record, inverter.to).some(({ id }) => id === conductor.id)
	);
	return own.length > 0 || all.length !== 1 ? own : all;
}

function currentOf(inverters: readonly PartOf<'inverter'>[]): number | null {
	const currents = inverters.map(({ specs }) => specs.acAmps);
	return currents.length === 0 || currents.includes(null)
		? null
		: currents.reduce<number>((sum, current) => sum + current!, 0);
}

const missingCurrent = (inverters: readonly PartOf<'inverter'>[]) =>
	inverters.length === 0 ? 'the inverter it leaves' : 'the AC current of the inverter';

function ampacityCheck(record: ArrayRecord, part: Conductor): Check {
	const us = record.rules.profile === 'US';
	const base: CheckBase = {
		key: `ac-conductor/${part.id}`,
		code: 'ac-conductor',
		title: 'Ampacity of an AC conductor',
		about: part.mark,
		places: [{ part: part.id }],
		clause: us
			? 'NEC 690.8(A)(3) and (B), not verified'
			: 'IEC 60364-4-43, Ib ≤ In ≤ Iz; not verified',
		at: { kind: 'part', id: part.id }
	};
	const inverters = invertersOf(record, part);
	const current = currentOf(inverters);
	const rated = recordedRating(part, record.rules);
	const required = current === null ? null : (us ? INVERTER_FACTOR : 1) * current;
	if (!rated.ok || current === null || required === null) {
		return notAssessed(
			base,
			[
				...(rated.ok ? [] : rated.problem),
				...(current === null ? [missingCurrent(inverters)] : [])
			],
			{ required: required === null ? null : `≥ ${amount(required, 'A')}` }
		);
	}
	// By the NEC the factor is on the terminals, and the corrected ampacity carries the current itself.
	const { corrected, source, row, assumed } = rated.value;
	const uncorrected = uncorrectedAmpacity(rated.value);
	const fits = us ? uncorrected >= required && corrected >= current : corrected >= required;
	return answered(base, fits ? 'pass' : 'fail', {
		required: us
			? `≥ ${amount(required, 'A')} before corrections, ≥ ${amount(current, 'A')} as it lies`
			: `≥ ${amount(required, 'A')}`,
		found: us
			? `${amount(uncorrected, 'A')} before corrections, ${amount(corrected, 'A')} as it lies`
			: amount(corrected, 'A'),
		remark: assumed.length > 0 ? `Assumed: ${assumed.join('; ')}.` : '',
		inputs: [
			['AC current', amount(current, 'A')],
			['size', row]
		],
		formula: us
			? '1.25 × the continuous current, and the current itself after corrections'
			: 'Iz ≥ Ib',
		clause: `${base.clause}; ${source}`
	});
}

/** Voltage rise from the supply to the inverter that is usual at most; common practice, no source. */
const USUAL_RISE = 0.01;
/** Resistivity at 60 degC, ohm mm2/m, not verified: copper 0.0172, aluminium 0.0283 at 20 degC. */
const RESISTIVITY = {
	copper: 0.0172 * (1 + 0.00393 * 40),
	aluminium: 0.0283 * (1 + 0.00403 * 40)
} as const;

function voltageRiseCheck(record: ArrayRecord, part: Conductor): Check {
	const base: CheckBase = {
		key: `ac-voltage-rise/${part.id}`,
		code: 'ac-voltage-rise',
		title: 'Voltage rise on the AC conductor',
		about: part.mark,
		places: [{ part: part.id }],
		clause: 'common practice: at most 1 % between inverter and supply; the grid operator decides',
		at: { kind: 'part', id: part.id }
	};
	const inverters = invertersOf(record, part);
	const current = currentOf(inverters);
	const { length, size, material } = part.specs;
	const { acVolts: acVoltage, phases } = inverters[0]?.specs ?? { acVolts: null, phases: null };
	if (
		current === null ||
		length === null ||
		size === null ||
		acVoltage === null ||
		phases === null
	) {
		return notAssessed(base, [
			...(current === null ? [missingCurrent(inverters)] : []),
			...(length === null ? ['its length'] : []),
			...(size === null ? ['its size'] : []),
			...(current !== null && acVoltage === null ? ['the AC voltage of the inverter'] : []),
			...(current !== null && phases === null ? ['the number of phases of the inverter'] : [])
		]);
	}
	// Between lines of three phases two conductors carry currents a third of a turn apart.
	const ways = phases === '3' ? Math.sqrt(3) : 2;
	const rise = (ways * length * current * RESISTIVITY[material ?? 'copper']) / size;
	const share = rise / acVoltage;
	return answered(base, share <= USUAL_RISE ? 'pass' : 'note', {
		required: `≤ ${amount(100 * USUAL_RISE, '%')}`,
		found: `${amount(100 * share, '%')} (${amount(rise, 'V')})`,
		remark: [
			share <= USUAL_RISE
				? ''
				: 'In hours of full power the inverter may reach its upper voltage limit and reduce its power or trip.',
			material === null ? 'Assumed: copper.' : ''
		]
			.filter(Boolean)
			.join(' '),
		inputs: [
			['AC current', amount(current, 'A')],
			['length, one way', amount(length, 'm')],
			['size', `${size} mm²`],
			['AC voltage', amount(acVoltage, 'V')]
		],
		formula: `${phases === '3' ? '√3' : '2'} × length × current × resistivity at 60 °C over the size; resistance only`
	});
}
