import type { Day, Unit } from '../series/year';
import type { Peers } from './peers';
import { median } from '../../numerics';

/** Volts and amps of a unit against the middle of its peers. */
export interface VoltageAndCurrent {
	readonly voltage: number;
	readonly current: number;
}

/** What volts and amps of an underperformer point at. */
export interface ProbableCause {
	readonly measured: VoltageAndCurrent | null;
	/** What it points at, best first, in words. */
	readonly words: string;
	/** What to do on the visit. */
	readonly next: string;
}

/** Light above which volts and amps tell, as a share of label power. */
const BRIGHT = 0.35;
/** Volts and amps within this of their peers are normal; judgement. */
const NORMAL = 0.05;

/**
 * Volts and amps of a unit over those of its peers, middle of the bright samples of some days.
 *
 * @returns null where the export has none
 */
export function voltageAndCurrentOf(
	unit: Unit,
	{ units, share }: Peers,
	days: readonly Day[]
): VoltageAndCurrent | null {
	if (!unit.volts || !unit.amps) return null;
	const voltage: number[] = [];
	const current: number[] = [];
	for (const { from, to } of days) {
		for (let t = from; t < to; t++) {
			if (!(share[t]! >= BRIGHT)) continue;
			const others = (of: (other: Unit) => Float64Array | null) =>
				median(
					units.flatMap((other) => {
						const value = of(other)?.[t];
						return value === undefined || Number.isNaN(value) ? [] : [value];
					})
				);
			const likeVoltage = others((other) => other.volts);
			const likeCurrent = others((other) => other.amps);
			if (!(likeVoltage > 0 && likeCurrent > 0)) continue;
			if (!Number.isNaN(unit.volts[t]!)) voltage.push(unit.volts[t]! / likeVoltage);
			if (!Number.isNaN(unit.amps[t]!)) current.push(unit.amps[t]! / likeCurrent);
		}
	}
	return voltage.length < 4 || current.length < 4
		? null
		: { voltage: median(voltage), current: median(current) };
}

/** What a laggard's volts and amps point at; the tests of the visit decide. */
export function probableCause(measured: VoltageAndCurrent | null, level: number): ProbableCause {
	if (!measured) {
		return {
			measured,
			words:
				level <= 0.03
					? 'It gives nothing: the unit itself, its fuse or breaker, an open connector, or its line to the logger.'
					: 'The export has no voltage and current of it, so the module, its connectors and the unit behind it all remain possible.',
			next: 'Measure voltage and current of it and of a neighbour in the same minute.'
		};
	}
	const { voltage, current } = measured;
	const volt = Math.abs(voltage - 1) <= NORMAL;
	const amp = Math.abs(current - 1) <= NORMAL;
	const third = [1 / 3, 2 / 3].find((share) => Math.abs(voltage - share) <= 0.05);
	if (voltage > 1 + NORMAL && current < 0.1) {
		return {
			measured,
			words:
				'Its voltage is higher than its neighbours’ and no current flows: the module works, the unit behind it takes nothing.',
			next: 'Look at the unit’s lamp and its AC side first, then its DC connectors.'
		};
	}
	if (voltage < 0.1) {
		return {
			measured,
			words: 'No voltage reaches it: an open connector or module, or a short circuit.',
			next: 'Open-circuit voltage of the module at its own connector.'
		};
	}
	if (third !== undefined) {
		const missing = third > 0.5 ? 'A third' : 'Two thirds';
		return {
			measured,
			words: `${missing} of its voltage is missing: a shorted bypass diode, or an open substring bypassed by its diode.`,
			next: 'Open-circuit voltage of the module, then of each substring in its junction box.'
		};
	}
	if (volt && current < 1 - NORMAL) {
		return {
			measured,
			words:
				'Its voltage is normal and its current is low: a weak or broken module, soiling or droppings on it, or permanent shade.',
			next: 'Look at the glass. If it is clean and in the sun, measure the module against a good one beside it.'
		};
	}
	if (amp && voltage < 1 - NORMAL) {
		return {
			measured,
			words:
				'Its current is normal and its voltage is low: a resistance in a connector or cable, or part of a substring.',
			next: 'Voltage under load at the module and at the unit; infrared on the connectors.'
		};
	}
	if (volt && amp) {
		return {
			measured,
			words:
				'The module gives as much as its peers: what lags is lost behind it, in the unit or on its AC side, or the unit is counted wrongly.',
			next: 'AC power at the unit against its DC power.'
		};
	}
	return {
		measured,
		words:
			'Both voltage and current are low: a module in a poor state, or shade across several substrings.',
		next: 'Look at the glass, then measure the module against a good one beside it.'
	};
}
