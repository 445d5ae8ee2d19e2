import { partsOf, type PartOf } from '../../record/part';
import type { ArrayRecord, ModuleType, StringRecord } from '../../record/record';
import { coldModuleVolts } from '../cold-volts';
import { vmpAt } from '../hot-volts';
import { marksOf, stringGroups } from '../string-groups';
import { amount, PLACES, waitsFor, type Check } from './check';

/** Devices behind the modules, charge controllers and batteries against the modules they serve. */
export function electronicsChecks(record: ArrayRecord): Check[] {
	return [...deviceChecks(record), ...controllerChecks(record), ...batteryChecks(record)];
}

type Device = PartOf<'rapid-shutdown-device'> | PartOf<'optimiser'> | PartOf<'micro-inverter'>;

function isDevice(part: { readonly kind: string }): part is Device {
	return ['rapid-shutdown-device', 'optimiser', 'micro-inverter'].includes(part.kind);
}

function deviceChecks(record: ArrayRecord): Check[] {
	const seen = new Map<string, StringRecord[]>();
	for (const string of record.strings) {
		if (string.devices === null || string.devices === 'unknown') continue;
		const key = `${string.devices.part}/${string.moduleTypeId}/${string.devices.modulesPerDevice}`;
		seen.set(key, [...(seen.get(key) ?? []), string]);
	}
	return [...seen.values()].map((strings) => deviceCheck(record, strings));
}

function deviceCheck(record: ArrayRecord, strings: readonly StringRecord[]): Check {
	const [string] = strings;
	const devices = string!.devices as Exclude<StringRecord['devices'], null | 'unknown'>;
	const part = record.parts.find(({ id }) => id === devices.part);
	const type = record.moduleTypes.find(({ id }) => id === string!.moduleTypeId);
	const base = {
		key: `device/${string!.id}`,
		title: 'Device against the cold module',
		about: `${part?.mark ?? 'device'} on ${marksOf(strings)}`,
		clause: 'NEC 690.12 and the maker’s label; the rule is common practice'
	};
	const cold = type ? coldModuleVolts(type, record.rules) : null;
	const limit = part && isDevice(part) ? limitsOf(part) : null;
	if (!type || cold === null || !limit || limit.volts === null) {
		return waitsFor(
			base,
			[
				...(cold === null ? ['the module’s cold volts'] : []),
				...(limit?.volts === undefined || limit.volts === null
					? ['the device’s highest input']
					: [])
			],
			part ? { kind: 'part', id: part.id } : PLACES.strings
		);
	}
	const volts = cold * devices.modulesPerDevice;
	const watts = type.plate.pmax * devices.modulesPerDevice;
	const broken = [
		...(volts > limit.volts
			? [`${amount(volts, 'V')} cold, it bears ${amount(limit.volts, 'V')}`]
			: []),
		...(limit.amps !== null && type.plate.isc > limit.amps
			? [`Isc ${amount(type.plate.isc, 'A')}, it bears ${amount(limit.amps, 'A')}`]
			: []),
		...(limit.watts !== null && watts > limit.watts
			? [`${amount(watts, 'W')} of label, it bears ${amount(limit.watts, 'W')}`]
			: [])
	];
	return {
		...base,
		outcome: broken.length > 0 ? 'finding' : 'fits',
		words:
			broken.length > 0
				? `Too much for the device: ${broken.join('; ')}.`
				: `The module reaches ${amount(volts, 'V')} cold; the device bears ${amount(limit.volts, 'V')}.`,
		inputs: [
			['modules per device', String(devices.modulesPerDevice)],
			['cold volts', amount(volts, 'V')],
			['label Isc', amount(type.plate.isc, 'A')],
			['label power', amount(watts, 'W')]
		],
		formula: 'cold Voc, Isc and Pmax of the modules on one device, against its highest input',
		at: { kind: 'part', id: part!.id }
	};
}

function limitsOf(part: Device) {
	return part.kind === 'micro-inverter'
		? { volts: part.specs.maxVolts, amps: null, watts: null }
		: { volts: part.specs.inputVolts, amps: part.specs.inputAmps, watts: part.specs.watts };
}

/** Volts that a string must have above its battery's absorption; common practice, the maker's figure wins. */
const HEADROOM = 5;

/** Share of its label below which a PWM controller throws away too much of a string; judgement. */
const PWM_LEAST = 0.75;

/** A charge controller beside a kind of string that hangs on it, by their labels. */
export interface ControllerFit {
	readonly part: string;
	readonly mark: string;
	/** Marks of the strings. */
	readonly strings: string;
	readonly fits: boolean;
	readonly words: string;
	readonly modules: number;
	readonly hottestCell: number;
	readonly absorption: number;
}

interface ControllerCase {
	readonly end: PartOf<'charge-controller'>;
	readonly strings: readonly [StringRecord, ...StringRecord[]];
	readonly fit: ControllerFit | null;
	readonly missing: readonly string[];
}

function controllerCases(record: ArrayRecord): ControllerCase[] {
	const battery = partsOf(record.parts, 'battery')[0];
	return stringGroups(record).flatMap(({ strings, types, end }): ControllerCase[] => {
		if (end?.kind !== 'charge-controller') return [];
		const { hottestCell } = record.rules;
		const absorption = battery?.specs.absorptionVolts ?? null;
		const missing = [
			...(types ? [] : ['the module’s label']),
			...(hottestCell === null ? ['the hottest cells'] : []),
			...(absorption === null ? ['the battery’s absorption volts'] : [])
		];
		if (!types || hottestCell === null || absorption === null) {
			return [{ end, strings, fit: null, missing }];
		}
		const hot = types.reduce((sum, type) => sum + vmpAt(type, hottestCell), 0);
		const wanted = absorption + HEADROOM;
		const finishes = hot >= wanted;
		const pwm = end.specs.method === 'PWM' ? pwmShare(types, absorption) : null;
		const given =
			pwm === null
				? ''
				: ` A PWM controller gives the battery’s volts times the module’s amps: at most ${amount(pwm.given, 'W')} of ${amount(pwm.label, 'W')}.`;
		const fit = {
			part: end.id,
			mark: end.mark,
			strings: marksOf(strings),
			fits: finishes && (pwm === null || pwm.given >= PWM_LEAST * pwm.label),
			words: `Hot, the string’s Vmp is ${amount(hot, 'V')}; absorption at ${amount(absorption, 'V')} wants ${amount(wanted, 'V')}${finishes ? '' : ': it cannot finish a charge on hot days'}.${given}`,
			modules: types.length,
			hottestCell,
			absorption
		};
		return [{ end, strings, fit, missing }];
	});
}

/** Charge controllers beside their strings, where the labels tell. */
export function controllerFits(record: ArrayRecord): ControllerFit[] {
	return controllerCases(record).flatMap(({ fit }) => fit ?? []);
}

function controllerChecks(record: ArrayRecord): Check[] {
	return controllerCases(record).map(({ end, strings, fit, missing }): Check => {
		const at = { kind: 'part', id: end.id } as const;
		const base = {
			key: `charge/${strings[0].id}`,
			title: 'String against its battery',
			about: `${marksOf(strings)} on ${end.mark}`,
			clause: 'common practice; the maker’s figure wins'
		};
		if (!fit) return waitsFor(base, missing, at);
		return {
			...base,
			outcome: fit.fits ? 'fits' : 'finding',
			words: fit.words,
			inputs: [
				['modules in series', String(fit.modules)],
				['hottest cells', `${fit.hottestCell} °C`],
				['absorption', amount(fit.absorption, 'V')]
			],
			formula: `Vmp of the fitted label at the hottest cells x modules in series, against absorption + ${HEADROOM} V; by PWM at least ${100 * PWM_LEAST} % of the label`,
			at
		};
	});
}

/** What a PWM controller gives of a string's label: battery volts times module amps, W. */
function pwmShare(types: readonly ModuleType[], absorption: number) {
	const label = types.reduce((sum, { plate }) => sum + plate.pmax, 0);
	const given = absorption * Math.min(...types.map(({ plate }) => plate.imp));
	return { label, given: Math.min(given, label) };
}

function batteryChecks(record: ArrayRecord): Check[] {
	const controllers = partsOf(record.parts, 'charge-controller');
	return partsOf(record.parts, 'battery').flatMap((battery): Check[] => {
		const { capacity } = battery.specs;
		const amps = controllers.map(({ specs }) => specs.chargeAmps);
		if (controllers.length === 0) return [];
		const at = { kind: 'part', id: battery.id } as const;
		const base = {
			key: `c-rate/${battery.id}`,
			title: 'Charge current over capacity',
			about: battery.mark,
			clause: 'the battery’s maker decides'
		};
		if (capacity === null || amps.includes(null)) {
			return [
				waitsFor(base, [capacity === null ? 'its capacity' : 'the highest charge current'], at)
			];
		}
		const sum = amps.reduce<number>((total, a) => total + (a ?? 0), 0);
		return [
			{
				...base,
				outcome: 'note',
				words: `At most ${amount(sum, 'A')} into ${amount(capacity, 'Ah')}: ${(sum / capacity).toFixed(2)} C.`,
				inputs: [['capacity', amount(capacity, 'Ah')]],
				formula: 'highest charge current of all controllers over the capacity',
				at
			}
		];
	});
}
