import type { BatchModule } from './module-batch';
import { DANGEROUS_LOOKS, LOOK_WORDS } from './module-batch';

/** Something about a module that its share alone does not say. */
export interface Anomaly {
	readonly code:
		| 'reversed'
		| 'dead'
		| 'no-current'
		| 'no-volts'
		| 'section-gone'
		| 'current-low'
		| 'volts-low'
		| 'scatter'
		| 'danger';
	readonly words: string;
}

/** Shares that a module's figures have of what its label gives in this light and heat; null: not read. */
export interface Shares {
	readonly voltage: number | null;
	readonly current: number | null;
	readonly power: number | null;
}

/** Shares below which something is not there at all, and within which it is as it should be; judgement. */
const NOTHING = 0.05;
const RIGHT_VOLTAGE = 0.94;
const LOW_CURRENT = 0.8;
const SUBSTRING = 0.06;
/** Takes of one module that differ by more than this share are not believed. */
const SCATTER = 0.05;

/**
 * What is odd about a module.
 *
 * @param sections of the module
 * @param spread of its takes, relative, the larger of volts and amps
 */
export function anomalies(
	{ voltage, current, power }: Shares,
	substrings: number,
	spread: number,
	{ looks }: Pick<BatchModule, 'looks'>
): Anomaly[] {
	const odd: Anomaly[] = [];
	const add = (code: Anomaly['code'], words: string) => odd.push({ code, words });
	const noVoltage = voltage !== null && Math.abs(voltage) < NOTHING;
	const noCurrent = current !== null && Math.abs(current) < NOTHING;
	const noPower = power !== null && power < NOTHING;
	if (voltage !== null && voltage < -NOTHING) {
		add('reversed', 'Polarity reversed: the leads are marked wrong, or the meter’s were changed.');
	}
	if (
		(noVoltage && (noCurrent || current === null)) ||
		(voltage === null && current === null && noPower)
	) {
		add('dead', 'Nothing at all: open inside, or its box. Look there before it is thrown away.');
	} else if (noVoltage) {
		add('no-volts', 'Current but no voltage: shorted, or all bypass diodes shorted.');
	} else if (noCurrent || noPower) {
		add('no-current', 'Voltage but no current: it opens under load.');
	}
	const lost = voltage === null ? 0 : Math.round((1 - voltage) * substrings);
	const whole = voltage !== null && !noVoltage && voltage > 0;
	if (
		whole &&
		lost > 0 &&
		lost < substrings &&
		Math.abs(voltage - (1 - lost / substrings)) < SUBSTRING
	) {
		add(
			'section-gone',
			`${fraction(lost, substrings)} of the voltage lost: ${lost === 1 ? 'one substring' : `${lost} substrings`}, by a shorted diode or an open circuit.`
		);
	} else if (whole && voltage < RIGHT_VOLTAGE) {
		add(
			'volts-low',
			'Voltage low, but not by a full substring: hot cells, another type, or leakage.'
		);
	}
	if (
		whole &&
		voltage >= RIGHT_VOLTAGE &&
		current !== null &&
		!noCurrent &&
		current < LOW_CURRENT
	) {
		add(
			'current-low',
			'Voltage within tolerance, current low: browned, cracked, soiled or shaded cells.'
		);
	}
	if (spread > SCATTER) {
		add('scatter', `Its takes differ by ${(100 * spread).toFixed(0)} %: take it again.`);
	}
	const danger = looks.filter((look) => DANGEROUS_LOOKS.includes(look));
	if (danger.length > 0) {
		add(
			'danger',
			`${danger.map((look) => LOOK_WORDS[look]).join(', ')}: it may still make power and still kill. Keep it apart; insulation dry and wet before anybody uses it.`
		);
	}
	return odd;
}

function fraction(lost: number, of: number): string {
	if (lost === 1 && of === 3) return 'A third';
	if (lost === 2 && of === 3) return 'Two thirds';
	return lost === 1 && of === 2 ? 'Half' : `${lost} of ${of}`;
}
