import { type Load, USUAL_HEADROOM } from '$core/circuit';
import { type FaultCode, FAULTS, type Scale } from '$core/visit';
import type { IrradianceChange, PlacedFault } from '$core/faults';

/** What may hold the string's leads. */
export const HOLDERS = ['tracker', 'volts', 'pwm', 'mppt', 'open', 'short'] as const;
export type Holder = (typeof HOLDERS)[number];

/** A "what if" as the screen keeps it. */
export interface Supposed {
	readonly lights: readonly IrradianceChange[];
	readonly fault: FaultCode | null;
	/** Where the fault sits; a joint lies above its module. */
	readonly module: number;
	readonly section: number;
	/** In the unit of the fault's scale. */
	readonly size: number;
	readonly alone: boolean;
	readonly holder: Holder;
	/** Of a held bus or a battery, V. */
	readonly volts: number;
}

export const AS_RECORDED: Omit<Supposed, 'volts'> = {
	lights: [],
	fault: null,
	module: 0,
	section: 0,
	size: 0,
	alone: false,
	holder: 'tracker'
};

/** The load that a holder is to the circuit. */
export function loadOf({ holder, volts: voltage }: Pick<Supposed, 'holder' | 'volts'>): Load {
	switch (holder) {
		case 'tracker':
			return {
				kind: 'tracker',
				window: { least: 0, most: null },
				ampsAtMost: null,
				wattsAtMost: null
			};
		case 'volts':
			return { kind: 'volts', volts: voltage };
		case 'pwm':
		case 'mppt':
			return {
				kind: 'battery',
				volts: voltage,
				controller: holder,
				headroom: USUAL_HEADROOM,
				ampsAtMost: null
			};
		case 'open':
		case 'short':
			return { kind: holder };
	}
}

/** The fault as the core takes it. */
export function faultsOf(
	{ fault, module, section: substring, size }: Supposed,
	string: string
): readonly PlacedFault[] {
	if (fault === null) return [];
	return [{ code: fault, place: { string, module, section: substring, joint: module + 1 }, size }];
}

const number = (text: string | null, least: number, most: number, otherwise: number) => {
	const value = text === null || text === '' ? Number.NaN : Number(text);
	return value >= least && value <= most ? value : otherwise;
};

/** The address of a "what if", so that it can be kept, shared and gone back to. */
export function toAddress(supposed: Supposed): URLSearchParams {
	const {
		lights,
		fault,
		module,
		section: substring,
		size,
		alone,
		holder,
		volts: voltage
	} = supposed;
	const query = new URLSearchParams();
	for (const irradiance of lights) {
		query.append(
			'light',
			`${irradiance.module + 1}.${irradiance.section === null ? 'all' : irradiance.section + 1}.${Math.round(irradiance.light * 100)}`
		);
	}
	if (fault) {
		query.set('fault', fault);
		query.set('at', `${module + 1}.${substring + 1}`);
		if (FAULTS[fault].scale) query.set('size', String(Number(size.toPrecision(4))));
	}
	if (alone) query.set('alone', 'yes');
	if (holder !== 'tracker') query.set('on', holder);
	if (holder === 'volts' || holder === 'pwm' || holder === 'mppt')
		query.set('volts', String(voltage));
	return query;
}

/** Reads an address; what it does not understand is left as recorded. */
export function fromAddress(
	query: URLSearchParams,
	modules: number,
	substrings: number,
	usualVoltage: number
): Supposed {
	const lights = query.getAll('light').flatMap((text): IrradianceChange[] => {
		const [m = '', s = '', percent = ''] = text.split('.');
		const module = number(m, 1, modules, 0) - 1;
		const irradiance = number(percent, 0, 100, 100) / 100;
		const substring = s === 'all' ? null : number(s, 1, substrings, 0) - 1;
		return module >= 0 && substring !== -1
			? [{ module, section: substring, light: irradiance }]
			: [];
	});
	const code = query.get('fault');
	const fault = code !== null && Object.hasOwn(FAULTS, code) ? (code as FaultCode) : null;
	const [m = '', s = ''] = (query.get('at') ?? '').split('.');
	const scale: Scale | null = fault && FAULTS[fault].scale;
	const on = query.get('on');
	return {
		lights,
		fault,
		module: Math.round(number(m, 1, modules, 1)) - 1,
		section: Math.round(number(s, 1, substrings, 1)) - 1,
		size: scale ? number(query.get('size'), scale.least, scale.most, scale.usual) : 0,
		alone: query.get('alone') === 'yes',
		holder: HOLDERS.find((holder) => holder === on) ?? 'tracker',
		volts: number(query.get('volts'), 0, 2000, usualVoltage)
	};
}
