import type { Load } from './load';
import type { OperatingPoint } from '../module';
import { fallingRoot } from '../numerics';
import { voltageInto, type Source } from './bus';
import { powerMaxima } from './maxima';

/** What keeps a load from the global maximum. */
export type Limit =
	| 'none'
	/** No volts or too few to start. */
	| 'below-window'
	/** It sits at its least volts, below which the maximum lies. */
	| 'window-floor'
	| 'window-ceiling'
	| 'amps'
	/** Clipping. */
	| 'watts'
	/** The volts are given by what holds the bus. */
	| 'held';

/** Where a source and its load meet. */
export interface Operation extends OperatingPoint {
	readonly power: number;
	readonly limit: Limit;
}

/** Where a source and a load meet. */
export function operate(source: Source, load: Load): Operation {
	switch (load.kind) {
		case 'open':
			return open(source, 'none');
		case 'short':
			return at(source, 0, 'held');
		case 'resistor':
			return at(source, voltageInto(source, 1 / load.ohms, 0), 'none');
		case 'volts':
			return at(source, load.volts, 'held');
		case 'tracker':
			return track(source, load);
		case 'battery':
			return charge(source, load);
	}
}

function open(source: Source, limit: Limit): Operation {
	return { volts: source.openVoltage, amps: 0, power: 0, limit };
}

function at(source: Source, voltage: number, limit: Limit): Operation {
	const out = { value: 0, slope: 0 };
	source.conduct(voltage, out);
	return { volts: voltage, amps: out.value, power: voltage * out.value, limit };
}

type Tracker = Extract<Load, { kind: 'tracker' }>;

function track(
	source: Source,
	{ window, ampsAtMost: currentAtMost, wattsAtMost: powerAtMost, stuckAt }: Tracker
): Operation {
	const { openVoltage } = source;
	if (openVoltage < window.least || openVoltage <= 0) return open(source, 'below-window');
	const most = Math.min(window.most ?? openVoltage, openVoltage);
	if (stuckAt !== undefined) {
		return stuckAt >= openVoltage ? open(source, 'held') : at(source, stuckAt, 'held');
	}
	const candidates = powerMaxima(source)
		.filter(({ volts: voltage }) => voltage >= window.least && voltage <= most)
		.map(({ volts: voltage, amps: current }): Operation => ({
			volts: voltage,
			amps: current,
			power: voltage * current,
			limit: 'none'
		}));
	// Where the window cuts a slope its edge may beat every maximum inside.
	candidates.push(at(source, window.least, 'window-floor'));
	if (most < openVoltage) candidates.push(at(source, most, 'window-ceiling'));
	const best = candidates.reduce((a, b) => (b.power > a.power ? b : a));
	if (!(best.power > 0)) return open(source, 'below-window');
	const byCurrent =
		currentAtMost !== null && best.amps > currentAtMost
			? upTo(source, best.volts, (_, current) => current - currentAtMost, 'amps')
			: best;
	return powerAtMost !== null && byCurrent.power > powerAtMost
		? upTo(source, byCurrent.volts, (voltage, current) => voltage * current - powerAtMost, 'watts')
		: byCurrent;
}

/** A limited tracker moves towards open circuit until what is too much is gone. */
function upTo(
	source: Source,
	from: number,
	surplus: (voltage: number, current: number) => number,
	limit: Limit
): Operation {
	const out = { value: 0, slope: 0 };
	const voltage = fallingRoot(
		(v) => {
			source.conduct(v, out);
			return surplus(v, out.value);
		},
		from,
		source.openVoltage,
		1e-10 * source.openVoltage
	);
	return at(source, voltage, limit);
}

type Battery = Extract<Load, { kind: 'battery' }>;

function charge(source: Source, battery: Battery): Operation {
	const { volts: voltage, controller, headroom, ampsAtMost: currentAtMost } = battery;
	if (controller === 'pwm') {
		// The array sits on the battery; what is too much is switched off for a share of the time.
		const joined = at(source, voltage, 'held');
		if (joined.amps <= 0) return open(source, 'below-window');
		return currentAtMost !== null && joined.amps > currentAtMost
			? { volts: voltage, amps: currentAtMost, power: voltage * currentAtMost, limit: 'amps' }
			: joined;
	}
	return track(source, {
		kind: 'tracker',
		window: { least: voltage + headroom, most: null },
		ampsAtMost: null,
		wattsAtMost: currentAtMost === null ? null : currentAtMost * voltage
	});
}
