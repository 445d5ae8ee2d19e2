import type { Load } from './load';
import type { OperatingPoint } from '../module';
import { fallingRoot } from '../numerics';
import { voltsInto, type Source } from './bus';
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
	readonly watts: number;
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
			return at(source, voltsInto(source, 1 / load.ohms, 0), 'none');
		case 'volts':
			return at(source, load.volts, 'held');
		case 'tracker':
			return track(source, load);
		case 'battery':
			return charge(source, load);
	}
}

function open(source: Source, limit: Limit): Operation {
	return { volts: source.openVolts, amps: 0, watts: 0, limit };
}

function at(source: Source, volts: number, limit: Limit): Operation {
	const out = { value: 0, slope: 0 };
	source.conduct(volts, out);
	return { volts, amps: out.value, watts: volts * out.value, limit };
}

type Tracker = Extract<Load, { kind: 'tracker' }>;

function track(source: Source, { window, ampsAtMost, wattsAtMost, stuckAt }: Tracker): Operation {
	const { openVolts } = source;
	if (openVolts < window.least || openVolts <= 0) return open(source, 'below-window');
	const most = Math.min(window.most ?? openVolts, openVolts);
	if (stuckAt !== undefined) {
		return stuckAt >= openVolts ? open(source, 'held') : at(source, stuckAt, 'held');
	}
	const candidates = powerMaxima(source)
		.filter(({ volts }) => volts >= window.least && volts <= most)
		.map(({ volts, amps }): Operation => ({ volts, amps, watts: volts * amps, limit: 'none' }));
	// Where the window cuts a slope its edge may beat every maximum inside.
	candidates.push(at(source, window.least, 'window-floor'));
	if (most < openVolts) candidates.push(at(source, most, 'window-ceiling'));
	const best = candidates.reduce((a, b) => (b.watts > a.watts ? b : a));
	if (!(best.watts > 0)) return open(source, 'below-window');
	const byAmps =
		ampsAtMost !== null && best.amps > ampsAtMost
			? upTo(source, best.volts, (_, amps) => amps - ampsAtMost, 'amps')
			: best;
	return wattsAtMost !== null && byAmps.watts > wattsAtMost
		? upTo(source, byAmps.volts, (volts, amps) => volts * amps - wattsAtMost, 'watts')
		: byAmps;
}

/** A limited tracker moves towards open circuit until what is too much is gone. */
function upTo(
	source: Source,
	from: number,
	surplus: (volts: number, amps: number) => number,
	limit: Limit
): Operation {
	const out = { value: 0, slope: 0 };
	const volts = fallingRoot(
		(v) => {
			source.conduct(v, out);
			return surplus(v, out.value);
		},
		from,
		source.openVolts,
		1e-10 * source.openVolts
	);
	return at(source, volts, limit);
}

type Battery = Extract<Load, { kind: 'battery' }>;

function charge(source: Source, battery: Battery): Operation {
	const { volts, controller, headroom, ampsAtMost } = battery;
	if (controller === 'pwm') {
		// The array sits on the battery; what is too much is switched off for a share of the time.
		const joined = at(source, volts, 'held');
		if (joined.amps <= 0) return open(source, 'below-window');
		return ampsAtMost !== null && joined.amps > ampsAtMost
			? { volts, amps: ampsAtMost, watts: volts * ampsAtMost, limit: 'amps' }
			: joined;
	}
	return track(source, {
		kind: 'tracker',
		window: { least: volts + headroom, most: null },
		ampsAtMost: null,
		wattsAtMost: ampsAtMost === null ? null : ampsAtMost * volts
	});
}
