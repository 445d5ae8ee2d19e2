import {
	type ArrayRecord,
	marksOf,
	type ModuleType,
	type PartOf,
	partsOf,
	stringGroups,
	type StringRecord
} from '../record';
import { coldModuleVoltage } from './cold-voltage';
import { vmpAt } from './hot-voltage';
import { designIsc } from './current-limits';
import {
	amount,
	answered,
	notAssessed,
	PLACES,
	stringPlaces,
	type Check,
	type CheckBase
} from './check';

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
	const base: CheckBase = {
		key: `device/${string!.id}`,
		code: 'module-electronics',
		title: 'Module electronics against the cold module',
		about: `${part?.mark ?? 'device'} on ${marksOf(strings)}`,
		places: [...(part ? [{ part: part.id }] : []), ...stringPlaces(strings)],
		clause: 'the nameplate of the device; common practice',
		at: part ? { kind: 'part', id: part.id } : PLACES.strings
	};
	const cold = type ? coldModuleVoltage(type, record.rules) : null;
	const limit = part && isDevice(part) ? limitsOf(part) : null;
	const missing = [
		...(cold === null ? ['the cold Voc of the module'] : []),
		...(limit?.volts === undefined || limit.volts === null
			? ['the maximum input voltage of the device']
			: [])
	];
	if (!type || cold === null || !limit || limit.volts === null) return notAssessed(base, missing);
	const voltage = cold * devices.modulesPerDevice;
	const isc = designIsc(type);
	const power = type.plate.pmax * devices.modulesPerDevice;
	const quantities = [
		{ name: 'Voc cold', has: voltage, most: limit.volts, unit: 'V' },
		{ name: 'Isc', has: isc, most: limit.amps, unit: 'A' },
		{ name: 'rated power', has: power, most: limit.watts, unit: 'W' }
	];
	const answer = {
		required: quantities
			.flatMap(({ name, most, unit }) => (most === null ? [] : `${name} ≤ ${amount(most, unit)}`))
			.join(', '),
		found: quantities.map(({ name, has, unit }) => `${name} ${amount(has, unit)}`).join(', '),
		inputs: [['modules per device', String(devices.modulesPerDevice)]],
		formula: 'cold Voc, Isc and rated power of the modules on one device, against its maximum input'
	} as const;
	if (quantities.some(({ has, most }) => most !== null && has > most)) {
		return answered(base, 'fail', answer);
	}
	const unknown = quantities.filter(
		({ most, name }) => most === null && !limit.unstated.includes(name)
	);
	return unknown.length > 0
		? notAssessed(
				base,
				unknown.map(({ name }) => `the maximum ${name} of the device`),
				answer
			)
		: answered(base, 'pass', answer);
}

function limitsOf(part: Device) {
	return part.kind === 'micro-inverter'
		? // Its current and power limit what it takes, not what it withstands.
			{ volts: part.specs.maxVolts, amps: null, watts: null, unstated: ['Isc', 'rated power'] }
		: {
				volts: part.specs.inputVolts,
				amps: part.specs.inputAmps,
				watts: part.specs.watts,
				unstated: [] as string[]
			};
}

/**
 * Voltage that a string needs above its battery's absorption, by method; common practice, the manufacturer's
 * figure wins. A PWM controller connects the string to the battery, so that only its own drop is lost.
 */
const HEADROOM = { MPPT: 5, PWM: 0.5 } as const;

/** Share of its rated power below which a PWM controller wastes too much of a string; Zembo default. */
const PWM_LEAST = 0.75;

/** A charge controller beside a kind of string that is connected to it, by their nameplates. */
export interface ControllerFit {
	readonly part: string;
	readonly mark: string;
	/** Marks of the strings. */
	readonly strings: string;
	readonly fits: boolean;
	readonly words: string;
	readonly required: string;
	readonly found: string;
	readonly remark: string;
	readonly modules: number;
	readonly hottestCell: number;
	readonly absorption: number;
	readonly headroom: number;
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
		const { method } = end.specs;
		const absorption = battery?.specs.absorptionVolts ?? null;
		const missing = [
			...(types ? [] : ['the module’s nameplate']),
			...(hottestCell === null ? ['the highest cell temperature'] : []),
			...(absorption === null ? ['the absorption voltage of the battery'] : []),
			...(method === null ? [`whether ${end.mark} is PWM or MPPT`] : [])
		];
		if (!types || hottestCell === null || absorption === null || method === null) {
			return [{ end, strings, fit: null, missing }];
		}
		const hot = types.reduce((sum, type) => sum + vmpAt(type, hottestCell), 0);
		const headroom = HEADROOM[method];
		const finishes = hot >= absorption + headroom;
		const pwm = method === 'PWM' ? pwmShare(types, absorption) : null;
		const wasteful = pwm !== null && pwm.given < PWM_LEAST * pwm.label;
		const required = `Vmp hot ≥ ${amount(absorption + headroom, 'V')} (absorption + ${headroom} V for ${method})`;
		const found = `Vmp hot ${amount(hot, 'V')}`;
		const remark = [
			finishes ? '' : 'On hot days it cannot finish a charge.',
			pwm === null
				? ''
				: `A PWM controller passes the battery’s voltage times the module’s current: at most ${amount(pwm.given, 'W')} of ${amount(pwm.label, 'W')}.`
		]
			.filter(Boolean)
			.join(' ');
		const fit = {
			part: end.id,
			mark: end.mark,
			strings: marksOf(strings),
			fits: finishes && !wasteful,
			words: `Required: ${required}. Found: ${found}. ${remark}`.trim(),
			required,
			found,
			remark,
			modules: types.length,
			hottestCell,
			absorption,
			headroom
		};
		return [{ end, strings, fit, missing }];
	});
}

/** Charge controllers beside their strings, where the nameplates tell. */
export function controllerFits(record: ArrayRecord): ControllerFit[] {
	return controllerCases(record).flatMap(({ fit }) => fit ?? []);
}

function controllerChecks(record: ArrayRecord): Check[] {
	return controllerCases(record).map(({ end, strings, fit, missing }): Check => {
		const base: CheckBase = {
			key: `charge/${strings[0].id}`,
			code: 'charge-voltage',
			title: 'String against its battery',
			about: `${marksOf(strings)} on ${end.mark}`,
			places: [{ part: end.id }, ...stringPlaces(strings)],
			clause: 'common practice; the manufacturer’s figure wins',
			at: { kind: 'part', id: end.id }
		};
		if (!fit) return notAssessed(base, missing);
		return answered(base, fit.fits ? 'pass' : 'fail', {
			required: fit.required,
			found: fit.found,
			remark: fit.remark,
			inputs: [
				['modules in series', String(fit.modules)],
				['highest cell temperature', `${fit.hottestCell} °C`],
				['absorption', amount(fit.absorption, 'V')]
			],
			formula: `Vmp of the fitted nameplate at the highest cell temperature × modules in series, against absorption + ${fit.headroom} V; with PWM at least ${100 * PWM_LEAST} % of the rated power`
		});
	});
}

/** What a PWM controller passes of a string's rated power: battery voltage times module current, W. */
function pwmShare(types: readonly ModuleType[], absorption: number) {
	const label = types.reduce((sum, { plate: nameplate }) => sum + nameplate.pmax, 0);
	const given = absorption * Math.min(...types.map(({ plate: nameplate }) => nameplate.imp));
	return { label, given: Math.min(given, label) };
}

function batteryChecks(record: ArrayRecord): Check[] {
	const controllers = partsOf(record.parts, 'charge-controller');
	if (controllers.length === 0) return [];
	return partsOf(record.parts, 'battery').map((battery): Check => {
		const { capacity } = battery.specs;
		const currents = controllers.map(({ specs }) => specs.chargeAmps);
		const base: CheckBase = {
			key: `c-rate/${battery.id}`,
			code: 'charge-rate',
			title: 'Charge current over capacity',
			about: battery.mark,
			places: [{ part: battery.id }],
			clause: 'the battery’s manufacturer decides',
			at: { kind: 'part', id: battery.id }
		};
		if (capacity === null || currents.includes(null)) {
			return notAssessed(base, [
				...(capacity === null ? ['the capacity of the battery'] : []),
				...(currents.includes(null) ? ['the maximum charge current'] : [])
			]);
		}
		const sum = currents.reduce<number>((total, current) => total + (current ?? 0), 0);
		return answered(base, 'note', {
			required: null,
			found: `${(sum / capacity).toFixed(2)} C (${amount(sum, 'A')} into ${amount(capacity, 'Ah')})`,
			formula: 'maximum charge current of all controllers over the capacity'
		});
	});
}
