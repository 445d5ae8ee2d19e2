import {
	type ArrayRecord,
	marksOf,
	type Part,
	type PartOf,
	partsOnward,
	type StringGroup,
	stringGroups,
	type Structure
} from '../record';
import { coldFactor, coldStringVoltage } from './cold-voltage';
import { vmpAt } from './hot-voltage';
import { INSULATION, insulationRow } from '../profiles';
import {
	amount,
	answered,
	notAssessed,
	PLACES,
	stringPlaces,
	type Check,
	type CheckBase
} from './check';

/** Limits of voltage along the strings' way, on the coldest morning and in the hottest noon. */
export function voltageChecks(record: ArrayRecord): Check[] {
	const groups = stringGroups(record);
	return [
		...groups.flatMap((group) => [coldCheck(record, group), buildingCheck(record, group)]),
		...ratingChecks(record, groups),
		...groups.flatMap((group) => [...windowChecks(record, group), insulationCheck(group)])
	];
}

/** Cold Voc of the strings of a group, V; null where something is missing. */
function coldOf(record: ArrayRecord, { types }: StringGroup): number | null {
	return (
		types &&
		coldStringVoltage(
			types.map(({ id }) => id),
			record.moduleTypes,
			record.rules
		)
	);
}

/** What is missing for the cold Voc of a group. */
function missingForCold(record: ArrayRecord, { types }: StringGroup): string[] {
	return [
		...(types ? [] : ['the module’s nameplate']),
		...(record.rules.lowest === null ? ['the lowest air temperature'] : []),
		...(types &&
		record.rules.lowest !== null &&
		types.some((type) => !coldFactor(type.plate, record.rules))
			? ['the module’s temperature coefficient of Voc']
			: [])
	];
}

/** Highest DC voltage that an inverter or charge controller is rated for, V. */
function maximumOf(end: Part | null): number | null {
	return end?.kind === 'inverter' || end?.kind === 'charge-controller' ? end.specs.maxVolts : null;
}

function coldCheck(record: ArrayRecord, group: StringGroup): Check {
	const { strings, types, end } = group;
	const cold = types?.[0] && coldFactor(types[0].plate, record.rules);
	const missing = missingForCold(record, group);
	const knownLimits = (types ?? []).flatMap(({ limits }) => limits.systemVolts ?? []);
	const inverter = maximumOf(end);
	const lowest = Math.min(...knownLimits, inverter ?? Infinity);
	const base: CheckBase = {
		key: `cold/${strings[0].id}`,
		code: 'string-voltage-cold',
		title: 'Cold open-circuit voltage of a string',
		about: marksOf(strings),
		places: stringPlaces(strings),
		clause: cold?.clause ?? 'NEC 690.7, IEC 62548-1, not verified',
		at: record.rules.lowest === null ? PLACES.site : PLACES.strings
	};
	const unknownLimits = [
		...(types && knownLimits.length < types.length ? ['the module’s maximum system voltage'] : []),
		...(inverter === null && end !== null && maximumRequired(end)
			? [`the maximum DC voltage of ${end.mark}`]
			: [])
	];
	const voltage = coldOf(record, group);
	if (voltage === null || !cold || !types)
		return notAssessed(base, missing.length > 0 ? missing : unknownLimits);
	const found = `${amount(voltage, 'V')} cold (${types.length} in series)`;
	if (!Number.isFinite(lowest)) return notAssessed(base, unknownLimits, { found });
	const [first] = types;
	const most = Math.floor(lowest / (cold.factor * first!.plate.voc));
	const naive = Math.floor(lowest / first!.plate.voc);
	const named = lowest === inverter ? `maximum of ${end!.mark}` : 'module’s maximum system voltage';
	const answer = {
		required: `≤ ${amount(lowest, 'V')} (${named})`,
		found,
		inputs: [
			['modules in series', String(types.length)],
			['nameplate Voc', amount(first!.plate.voc, 'V')],
			['lowest air temperature', `${record.rules.lowest} °C`],
			[
				'module’s maximum system voltage',
				knownLimits.length ? amount(Math.min(...knownLimits), 'V') : 'not recorded'
			],
			['maximum DC at its end', inverter === null ? 'not recorded' : amount(inverter, 'V')]
		],
		formula: `${cold.formula}, times the modules in series`
	} as const;
	const counted = `At most ${most} modules of this type in series; the nameplate’s Voc alone would give ${naive}, which ignores the cold.`;
	if (voltage > lowest) return answered(base, 'fail', { ...answer, remark: counted });
	// A limit that nobody recorded may be the lower one.
	if (unknownLimits.length > 0)
		return notAssessed(base, unknownLimits, { ...answer, remark: counted });
	return answered(base, 'pass', { ...answer, remark: counted });
}

/** Inverters and controllers have a maximum of their own that has to be known. */
const maximumRequired = ({ kind }: Part) => kind === 'inverter' || kind === 'charge-controller';

/** Highest voltage allowed on a structure, V, by profile; null where the use of the building decides. */
function structureLimit(
	structure: Structure,
	us: boolean
): { readonly sure: number; readonly perhaps: number } {
	const both = (voltage: number) => ({ sure: voltage, perhaps: voltage });
	if (structure === 'ground') return both(1500);
	if (!us) return both(1000);
	if (structure === 'dwelling') return both(600);
	if (structure === 'building' || structure === 'ground-into-building') {
		return { sure: 600, perhaps: 1000 };
	}
	return both(1000);
}

function buildingCheck(record: ArrayRecord, group: StringGroup): Check {
	const { strings } = group;
	const us = record.rules.profile === 'US';
	const base: CheckBase = {
		key: `structure/${strings[0].id}`,
		code: 'voltage-limit',
		title: 'Voltage limit of the structure',
		about: marksOf(strings),
		places: stringPlaces(strings),
		clause: us
			? 'NEC 690.7: 600 V on one- and two-family dwellings, 1000 V on other buildings, 1500 V elsewhere; not verified'
			: 'IEC 60364-7-712 and 62548-1: 1000 V DC on buildings, 1500 V elsewhere; not verified',
		at: PLACES.site
	};
	const voltage = coldOf(record, group);
	const { structure } = record.rules;
	if (voltage === null) return notAssessed(base, missingForCold(record, group));
	const found = `${amount(voltage, 'V')} cold`;
	if (structure === null) {
		if (voltage <= 1500) return notAssessed(base, ['the structure the array is on'], { found });
		return answered(base, 'fail', { required: `≤ ${amount(1500, 'V')}`, found });
	}
	const { sure, perhaps } = structureLimit(structure, us);
	const formula = 'cold Voc of the string against the limit of the structure';
	if (voltage <= sure) {
		return answered(base, 'pass', { required: `≤ ${amount(sure, 'V')}`, found, formula });
	}
	if (voltage > perhaps) {
		return answered(base, 'fail', { required: `≤ ${amount(perhaps, 'V')}`, found, formula });
	}
	return notAssessed(base, ['whether the building is a one- or two-family dwelling'], {
		required: `≤ ${amount(sure, 'V')} on such a dwelling, ≤ ${amount(perhaps, 'V')} on another building`,
		found
	});
}

type Rated = PartOf<'combiner'> | PartOf<'dc-disconnect'>;

/** Each combiner and disconnect once, against the highest of all strings through it. */
function ratingChecks(record: ArrayRecord, groups: readonly StringGroup[]): Check[] {
	const rated = record.parts.filter(
		(part): part is Rated => part.kind === 'combiner' || part.kind === 'dc-disconnect'
	);
	return rated.flatMap((part) => {
		const through = groups.filter(({ strings }) =>
			strings.some((string) => partsOnward(record, string.to).some(({ id }) => id === part.id))
		);
		if (through.length === 0) return [];
		const base: CheckBase = {
			key: `rated-volts/${part.id}`,
			code: 'rated-voltage',
			title: 'Rated voltage of a combiner or disconnect',
			about: part.mark,
			places: [{ part: part.id }],
			clause: 'NEC 690.7 and 110.4; IEC 62548-1, rated voltage of DC equipment; not verified',
			at: { kind: 'part', id: part.id }
		};
		const voltages = through.map((group) => coldOf(record, group));
		const { ratedVolts: ratedVoltage } = part.specs;
		if (voltages.includes(null) || ratedVoltage === null) {
			return [
				notAssessed(base, [
					...new Set(through.flatMap((group) => missingForCold(record, group))),
					...(ratedVoltage === null ? [`the rated DC voltage of ${part.mark}`] : [])
				])
			];
		}
		const highest = Math.max(...voltages.map((voltage) => voltage!));
		return [
			answered(base, ratedVoltage >= highest ? 'pass' : 'fail', {
				required: `≥ ${amount(highest, 'V')} DC`,
				found: `${amount(ratedVoltage, 'V')} DC`,
				inputs: [['highest cold Voc of its strings', amount(highest, 'V')]],
				formula: 'rated voltage at or above the cold Voc of the strings through it'
			})
		];
	});
}

function windowChecks(record: ArrayRecord, { strings, types, end }: StringGroup): Check[] {
	if (end?.kind !== 'inverter') return [];
	const { windowLow, windowHigh } = end.specs;
	const { hottestCell, lowest } = record.rules;
	const base: CheckBase = {
		key: `window/${strings[0].id}`,
		code: 'mppt-window',
		title: 'MPPT window, hot and cold',
		about: `${marksOf(strings)} on ${end.mark}`,
		places: stringPlaces(strings),
		clause: 'the inverter’s nameplate; common practice',
		at: windowLow === null ? { kind: 'part', id: end.id } : PLACES.site
	};
	if (!types || hottestCell === null || windowLow === null) {
		return [
			notAssessed(base, [
				...(types ? [] : ['the module’s nameplate']),
				...(hottestCell === null ? ['the highest cell temperature'] : []),
				...(windowLow === null ? [`the lower end of the MPPT window of ${end.mark}`] : [])
			])
		];
	}
	const sum = (cellTemperature: number) =>
		types.reduce((voltage, type) => voltage + vmpAt(type, cellTemperature), 0);
	const hot = sum(hottestCell);
	const cold = lowest === null ? null : sum(lowest);
	const answer = {
		required: `${amount(windowLow, 'V')} to ${windowHigh === null ? 'a maximum that is not recorded' : amount(windowHigh, 'V')}`,
		found: `Vmp ${amount(hot, 'V')} hot${cold === null ? '' : `, ${amount(cold, 'V')} cold`}`,
		inputs: [
			['modules in series', String(types.length)],
			['highest cell temperature', `${hottestCell} °C`],
			['lowest air temperature', lowest === null ? 'not recorded' : `${lowest} °C`]
		],
		formula:
			'Vmp of the fitted nameplate at 1000 W/m², translated to the temperature, times the modules in series'
	} as const;
	if (hot < windowLow) {
		return [
			answered(base, 'fail', {
				...answer,
				remark: 'On hot days the inverter cannot track the maximum, or stops.'
			})
		];
	}
	if (windowHigh !== null && hot > windowHigh) {
		return [
			answered(base, 'fail', {
				...answer,
				remark: 'Even hot the maximum lies above the window: energy is lost on every day.'
			})
		];
	}
	if (windowHigh !== null && cold !== null && cold > windowHigh) {
		return [
			answered(base, 'note', {
				...answer,
				remark:
					'On cold mornings the inverter holds the string below its maximum: a small loss of energy.'
			})
		];
	}
	if (windowHigh === null || cold === null) {
		return [
			notAssessed(
				base,
				[
					...(windowHigh === null ? [`the upper end of the MPPT window of ${end.mark}`] : []),
					...(cold === null ? ['the lowest air temperature'] : [])
				],
				{ ...answer, remark: 'Hot, the string is inside the window.' }
			)
		];
	}
	return [answered(base, 'pass', answer)];
}

/** Voltage an insulation test applies, against what the modules are rated for. */
function insulationCheck({ strings, types }: StringGroup): Check {
	const base: CheckBase = {
		key: `insulation-test/${strings[0].id}`,
		code: 'insulation-test-voltage',
		title: 'Test voltage for insulation resistance',
		about: marksOf(strings),
		places: stringPlaces(strings),
		clause: INSULATION.clause,
		at: PLACES.strings
	};
	if (!types) return notAssessed(base, ['the module’s nameplate']);
	const stc = types.reduce((sum, { plate: nameplate }) => sum + nameplate.voc, 0);
	const { testVolts: testVoltage, least } = insulationRow(stc);
	const limits = types.flatMap(({ limits: { systemVolts: systemVoltage } }) => systemVoltage ?? []);
	const found = `test at ${testVoltage} V, at least ${least} MΩ`;
	if (limits.length < types.length) {
		return notAssessed(base, ['the module’s maximum system voltage'], { found });
	}
	const most = Math.min(...limits);
	return answered(base, testVoltage <= most ? 'pass' : 'fail', {
		required: `test voltage ≤ ${amount(most, 'V')} (module’s maximum system voltage)`,
		found,
		inputs: [['Voc of the string at STC × 1.25', amount(stc * 1.25, 'V')]],
		formula: 'row of the table for Voc at STC × 1.25',
		remark:
			testVoltage <= most
				? ''
				: 'Test at the module’s maximum system voltage at most, and state the voltage used.'
	});
}
