import { type Load, operate, USUAL_HEADROOM } from '../circuit';
import { answerConfiguration, TRACKER } from './configuration/answer';
import { build, type ConfigurationParts } from './configuration/elements';
import { branchesOf, modulesOf, type ArrayConfiguration } from './configuration/tree';
import { coldVoltage } from './tested';

/** A battery and its controller. */
export interface BatteryAsk {
	readonly mix: ArrayConfiguration;
	readonly parts: ConfigurationParts;
	/** Volts that the battery has while it is charged, V. */
	readonly batteryVolts: number;
	/** At the end of the charge, V. */
	readonly absorption: number;
	/** Ah; null where unknown. */
	readonly capacity: number | null;
	/** Highest volts and charge current of the controller, V and A; null where unknown. */
	readonly maxVolts: number | null;
	readonly chargeAmps: number | null;
	/** degC; null where unknown. */
	readonly lowest: number | null;
	/** Cells on the hottest day, degC. */
	readonly hottestCell: number;
}

/** What one kind of controller makes of a mix. */
interface ControllerGives {
	readonly power: number;
	/** Into the battery, A. */
	readonly current: number;
	/** Volts of the array while it does. */
	readonly arrayVoltage: number;
	readonly words: string;
}

export interface BatteryAnswer {
	readonly pwm: ControllerGives;
	readonly mppt: ControllerGives;
	/** What MPPT gives more, share of PWM; null where PWM gives nothing. */
	readonly more: number | null;
	/** The string with the least volts at its maximum on the hottest day, V. */
	readonly hotVoltage: number;
	/** What the array must have at its maximum to finish a charge, V: at absorption, and with MPPT its headroom above. */
	readonly wanted: { readonly pwm: number; readonly mppt: number };
	/** The string with the most volts in the cold, V; null where the lowest temperature is unknown. */
	readonly coldVoltage: number | null;
	/** Charge current over capacity, 1/h; null where that is unknown. */
	readonly rate: number | null;
	/** Limits that are not kept, in words. */
	readonly broken: readonly string[];
}

/** PWM against MPPT in watts, the window hot and cold, and the charge current against the capacity. */
export function answerBattery(ask: BatteryAsk): BatteryAnswer {
	const {
		mix,
		parts,
		batteryVolts: batteryVoltage,
		absorption,
		capacity,
		maxVolts: maxVoltage,
		chargeAmps: chargeCurrent,
		lowest
	} = ask;
	const load = (controller: 'pwm' | 'mppt'): Load => ({
		kind: 'battery',
		volts: batteryVoltage,
		controller,
		headroom: USUAL_HEADROOM,
		ampsAtMost: chargeCurrent
	});
	const { element } = build(mix, parts);
	const gives = (controller: 'pwm' | 'mppt'): ControllerGives => {
		const at = operate(element, load(controller));
		const words =
			at.limit === 'below-window'
				? 'Nothing: its voltage does not reach that of the battery.'
				: at.limit === 'amps' || at.limit === 'watts'
					? 'Held at the controller’s highest charge current.'
					: controller === 'pwm'
						? 'The array runs at the voltage of the battery.'
						: at.limit === 'window-floor'
							? 'Its Vmp is below battery voltage plus headroom: it runs at that limit.'
							: 'At the maximum of the curve.';
		return { power: at.power, current: at.power / batteryVoltage, arrayVoltage: at.volts, words };
	};
	const pwm = gives('pwm');
	const mppt = gives('mppt');
	const hot = { ...parts, sky: { irradiance: 1000, cellTemperature: ask.hottestCell } };
	const hotVoltage = Math.min(
		...branchesOf(mix).map((branch) => operate(build(branch, hot).element, TRACKER).volts)
	);
	// A PWM controller joins the array to the battery: it needs no headroom.
	const wanted = { pwm: absorption, mppt: absorption + USUAL_HEADROOM };
	const cold =
		lowest === null
			? null
			: Math.max(
					...branchesOf(mix).map((branch) =>
						modulesOf(branch).reduce(
							(sum, { of }) => sum + coldVoltage(parts.moduleOf(of), { profile: 'IEC', lowest }),
							0
						)
					)
				);
	const broken: string[] = [];
	const short = (['pwm', 'mppt'] as const).filter((controller) => hotVoltage < wanted[controller]);
	if (short.length > 0) {
		const needs = short
			.map((one) => `${wanted[one].toFixed(1)} V with ${one.toUpperCase()}`)
			.join(', ');
		broken.push(
			`On the hottest day a string has ${hotVoltage.toFixed(1)} V at its maximum. To finish a charge then it needs ${needs}.`
		);
	}
	if (cold !== null && maxVoltage !== null && cold > maxVoltage) {
		broken.push(
			`In the cold a string reaches ${cold.toFixed(0)} V; the controller bears ${maxVoltage} V.`
		);
	}
	return {
		pwm,
		mppt,
		more: pwm.power > 0 ? mppt.power / pwm.power - 1 : null,
		hotVoltage,
		wanted,
		coldVoltage: cold,
		rate: capacity === null ? null : mppt.current / capacity,
		broken
	};
}

/** A module of a string on a battery in shade: whether its diodes can pass it by. */
export interface ShadeOnBattery {
	/** Current of the string in full light and with the module shaded, A. */
	readonly before: number;
	readonly after: number;
	/** Volts of the string with it shaded, V. */
	readonly voltage: number;
	/** Volts that are left where it is passed by, V. */
	readonly passedVoltage: number;
	/** Volts that the controller needs, V. */
	readonly needed: number;
	readonly bypassed: boolean;
	readonly words: string;
}

/**
 * What shade on one module does to its string on a battery: with few in series the volts without the
 * module lie below the battery's, so the controller stays at the shaded current; with many it passes by.
 *
 * @param place id of the module that is shaded
 * @param irradiance share of the sunlight that is left on it
 */
export function shadeOnBattery(
	{ mix, parts, batteryVolts: batteryVoltage }: Pick<BatteryAsk, 'mix' | 'parts' | 'batteryVolts'>,
	place: string,
	irradiance: number
): ShadeOnBattery | null {
	const branch = branchesOf(mix).find((one) => modulesOf(one).some(({ id }) => id === place));
	if (!branch || branch.kind === 'parallel') return null;
	const load: Load = {
		kind: 'battery',
		volts: batteryVoltage,
		controller: 'mppt',
		headroom: USUAL_HEADROOM,
		ampsAtMost: null
	};
	const lit = (share: number): ArrayConfiguration =>
		branch.kind === 'module'
			? { ...branch, irradiance: share }
			: {
					...branch,
					parts: branch.parts.map((part) =>
						part.kind === 'module' && part.id === place ? { ...part, irradiance: share } : part
					)
				};
	const before = answerConfiguration(lit(1), parts, load);
	const after = answerConfiguration(lit(irradiance), parts, load);
	const shaded = after.places.find(({ id }) => id === place)!;
	const bypassed = shaded.does === 'passed-by';
	const others = before.places.filter(({ id }) => id !== place);
	const passedVoltage = others.reduce((sum, { voltage }) => sum + voltage, 0) - DIODES;
	const needed = batteryVoltage + USUAL_HEADROOM;
	const count = others.length + 1;
	const figures = `The current goes from ${before.current.toFixed(1)} A to ${after.current.toFixed(1)} A, the string voltage ${after.voltage > before.voltage ? 'rise' : 'fall'} to ${after.voltage.toFixed(0)} V.`;
	return {
		before: before.current,
		after: after.current,
		voltage: after.voltage,
		passedVoltage,
		needed,
		bypassed,
		words: bypassed
			? `With ${count} in series the bypass works: without the shaded module ${passedVoltage.toFixed(0)} V are left, above the ${needed.toFixed(0)} V that battery and controller need. ${figures}`
			: passedVoltage < needed
				? `With ${count === 1 ? 'one module' : `${count} in series`} on a battery, shading one does not look like a bypass: the bypassed voltage, ${Math.max(0, passedVoltage).toFixed(0)} V, are below the ${needed.toFixed(0)} V that battery and controller need, so the controller stays at the shaded current. ${figures} With ten in series it would pass the module by.`
				: `The shade is too weak for a bypass: the controller gets more at the shaded current. ${figures}`
	};
}

/** Volts that the conducting diodes of one module take, V; common practice. */
const DIODES = 1.5;
