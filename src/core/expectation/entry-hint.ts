import { isStringQuantity, type Reading } from '../visit';

/** Ratio of a meter's AC range to the DC it stands on, where it rectifies one half; from memory of usual meters. */
const AC_RANGE = [2.05, 2.4] as const;
/** Share within which an amount counts as the right one. */
const SAME = 0.06;
/** A clamp's rest, alike on several strings, A. */
const REST = { least: 0.2, most: 2, alike: 0.15 } as const;

/**
 * What a figure that was just read hints at in the way it was read, and what to do, while the meter is
 * still on the terminals; null where nothing strikes.
 *
 * @param expected of the place, in its unit; null where none is known
 * @param others readings that stand, this one left out
 */
export function entryHint(
	reading: Pick<Reading, 'quantity' | 'value'>,
	expected: number | null,
	others: readonly Pick<Reading, 'quantity' | 'value'>[]
): string | null {
	const { quantity, value } = reading;
	if (quantity === 'residual-current') return clampHint(reading, others);
	if (!isStringQuantity(quantity) || expected === null || !(expected > 0)) return null;
	const ratio = value / expected;
	const voltage = quantity === 'open-circuit-voltage';
	if (Math.abs(ratio + 1) < SAME) {
		return voltage
			? 'The amount is right, the sign is not. Is the red lead on plus and in V? Change the leads and take it again; if it stays, the string is reversed: close nothing.'
			: 'The amount is right, the sign is not: turn the clamp round, arrow towards the inverter, and take it again.';
	}
	if (voltage && ratio > AC_RANGE[0] && ratio < AC_RANGE[1]) {
		return 'More than twice what is expected: is the meter on AC? Set it to DC and take it again.';
	}
	if (voltage && Math.abs(ratio) < 0.02) {
		return 'No voltage: check the holder, probes on metal, leads in V and COM. If they are right, the path is open and the full string voltage is across the break.';
	}
	if (!voltage && Math.abs(ratio) < 0.03) {
		return 'No current: is the clamp on DC and closed round one conductor? Then the fuse, a connector or a module is open.';
	}
	return null;
}

function clampHint(
	{ value }: Pick<Reading, 'value'>,
	others: readonly Pick<Reading, 'quantity' | 'value'>[]
): string | null {
	const size = Math.abs(value);
	if (size < REST.least || size > REST.most) return null;
	const alike = others.filter(
		(other) => other.quantity === 'residual-current' && Math.abs(other.value - value) < REST.alike
	);
	return alike.length > 0
		? `Every string shows about ${value.toFixed(1)} A with the switch off: the clamp is not zeroed. Zero it away from conductors, show it a known current, and take them again.`
		: 'Zero the clamp away from conductors and take it again before anything is opened.';
}
