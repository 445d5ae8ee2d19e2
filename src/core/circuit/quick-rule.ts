import type { OperatingPoint } from '../module';

/** What the quick rule knows of a module or of an arrangement: its volts and amps at full power. */
export type Arrangement =
	| { readonly kind: 'module'; readonly volts: number; readonly amps: number }
	| { readonly kind: 'series' | 'parallel'; readonly of: readonly Arrangement[] };

/** The rule's answer with what the labels add up to. */
export interface QuickAnswer extends OperatingPoint {
	readonly watts: number;
	/** Of all labels together, W. */
	readonly labelWatts: number;
}

/**
 * In series volts add and the lowest current rules; in parallel currents add and the lowest volts rule.
 * Common practice, no source. It knows no bypass diode and no back-feed: see {@link whereTheyPart}.
 */
export function quickRule(arrangement: Arrangement): QuickAnswer {
	if (arrangement.kind === 'module') {
		const { volts: voltage, amps: current } = arrangement;
		return {
			volts: voltage,
			amps: current,
			watts: voltage * current,
			labelWatts: voltage * current
		};
	}
	const parts = arrangement.of.map(quickRule);
	const voltage = parts.map((part) => part.volts);
	const current = parts.map((part) => part.amps);
	const series = arrangement.kind === 'series';
	const answer =
		parts.length === 0
			? { volts: 0, amps: 0 }
			: series
				? { volts: sum(voltage), amps: Math.min(...current) }
				: { volts: Math.min(...voltage), amps: sum(current) };
	return {
		...answer,
		watts: answer.volts * answer.amps,
		labelWatts: sum(parts.map((part) => part.labelWatts))
	};
}

function sum(values: readonly number[]): number {
	return values.reduce((total, value) => total + value, 0);
}

/** Below this share the two answers are called the same. */
const ALIKE = 0.03;

/**
 * Why the curve gives another power than the quick rule, in words; null where they agree.
 *
 * @param curve global maximum by the curve
 * @param branches current of each parallel string at that point, A
 */
export function whereTheyPart(
	quick: QuickAnswer,
	curve: OperatingPoint,
	branches: readonly number[]
): string | null {
	const power = curve.volts * curve.amps;
	const share = power / quick.watts - 1;
	if (Math.abs(share) < ALIKE) return null;
	const by = `${Math.abs(100 * share).toFixed(0)} %`;
	const fed = branches.filter((current) => current < -1e-3).length;
	if (fed > 0) {
		return `The curve gives ${by} ${share < 0 ? 'less' : 'more'}: ${fed === 1 ? 'one string is' : `${fed} strings are`} fed by the others, which the quick rule cannot know.`;
	}
	if (share > 0 && curve.amps > quick.amps * (1 + ALIKE)) {
		return `The curve gives ${by} more: at ${curve.amps.toFixed(1)} A the weaker substrings are bypassed, and the rest gives its own current; the quick rule holds all to the weakest.`;
	}
	if (share > 0 && curve.volts > quick.volts * (1 + ALIKE)) {
		return `The curve gives ${by} more: at ${curve.volts.toFixed(1)} V the weaker string gives less current, and the others keep their voltage; the quick rule pulls all down to the weakest.`;
	}
	if (share > 0) {
		return `The curve gives ${by} more: the modules meet between their own best points, and a maximum is flat.`;
	}
	return `The curve gives ${by} less: resistance and diodes on the way, which the quick rule leaves out, take it.`;
}
