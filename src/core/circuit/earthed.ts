import { BusSource, type Source } from './bus';
import { chainCurrent, chainOf, chainVoltage, type Chain } from './chain';
import { gatherString } from './compile';
import type { BusCircuit, EarthConnection, StringCircuit } from './description';
import { risingRoot, type Slope } from '../numerics';
import type { Solution } from './substring';

/** A fault of less than this is not told from a dead short, ohm. */
const LEAST_RESISTANCE = 1e-3;

/** A place of a string that is joined to earth. */
interface Tap {
	readonly connector: number;
	readonly resistance: number;
}

/** What a march along a string finds, for a current at its negative end and a potential of earth. */
interface March {
	/** Potential at the positive end, V, with its derivatives by that current and by earth's potential. */
	top: number;
	topByCurrent: number;
	topByEarth: number;
	/** Current out of the positive end. */
	current: number;
	currentByCurrent: number;
	currentByEarth: number;
	/** Current to earth from all taps. */
	leak: number;
	leakByCurrent: number;
	leakByEarth: number;
}

/** A string cut where it is joined to earth. */
class TappedString {
	private readonly chains: readonly Chain[];
	readonly taps: readonly Tap[];
	readonly reversed: boolean;
	/** The answer before, where the next one is looked for. */
	private last = 0;

	constructor(string: StringCircuit, bus: BusCircuit, taps: readonly Tap[]) {
		this.taps = [...taps].sort((a, b) => a.connector - b.connector);
		const cuts = this.taps.map((tap) => tap.connector);
		this.chains = gatherString(string, bus, 'bus', cuts).map((segment) => segment.chain(bus));
		this.reversed = string.leadsReversed ?? false;
	}

	march(base: number, earth: number, start: number, out: March): void {
		const one: Solution = { voltage: 0, slope: 0 };
		let current = start;
		let currentByCurrent = 1;
		let currentByEarth = 0;
		let top = base;
		let topByCurrent = 0;
		let topByEarth = 0;
		out.leak = out.leakByCurrent = out.leakByEarth = 0;
		this.chains.forEach((chain, i) => {
			chainVoltage(chain, current, one);
			top += one.voltage;
			topByCurrent += one.slope * currentByCurrent;
			topByEarth += one.slope * currentByEarth;
			const tap = this.taps[i];
			if (!tap) return;
			const leak = (top - earth) / tap.resistance;
			const leakByCurrent = topByCurrent / tap.resistance;
			const leakByEarth = (topByEarth - 1) / tap.resistance;
			current -= leak;
			currentByCurrent -= leakByCurrent;
			currentByEarth -= leakByEarth;
			out.leak += leak;
			out.leakByCurrent += leakByCurrent;
			out.leakByEarth += leakByEarth;
		});
		Object.assign(out, {
			top,
			topByCurrent,
			topByEarth,
			current,
			currentByCurrent,
			currentByEarth: currentByEarth
		});
	}

	/** Current at the negative end for given potentials of both ends and of earth. */
	startCurrent(base: number, target: number, earth: number): number {
		if (this.taps.length === 0) return chainCurrent(this.chains[0]!, target - base);
		const march = emptyMarch();
		this.last = risingRoot(
			(current, at) => {
				this.march(base, earth, current, march);
				at.value = target - march.top;
				at.slope = -march.topByCurrent;
			},
			this.last,
			0.1
		);
		return this.last;
	}

	/** Potential of its only tap where no current leaves there, V against the negative pole of the bus. */
	potentialOfTap(voltage: number): number {
		const whole: Chain = chainOf(
			this.chains.flatMap(({ parts }) => parts),
			this.chains.reduce((sum, { resistance }) => sum + resistance, 0)
		);
		const current = chainCurrent(whole, this.reversed ? -voltage : voltage);
		const below: Solution = { voltage: 0, slope: 0 };
		chainVoltage(this.chains[0]!, current, below);
		return (this.reversed ? voltage : 0) + below.voltage;
	}

	/** Current of every segment, from the negative end, A. */
	segmentCurrent(base: number, target: number, earth: number): number[] {
		const one: Solution = { voltage: 0, slope: 0 };
		let current = this.startCurrent(base, target, earth);
		let top = base;
		return this.chains.map((chain, i) => {
			const here = current;
			chainVoltage(chain, current, one);
			top += one.voltage;
			const tap = this.taps[i];
			if (tap) current -= (top - earth) / tap.resistance;
			return here;
		});
	}
}

function emptyMarch(): March {
	return {
		top: 0,
		topByCurrent: 0,
		topByEarth: 0,
		current: 0,
		currentByCurrent: 0,
		currentByEarth: 0,
		leak: 0,
		leakByCurrent: 0,
		leakByEarth: 0
	};
}

/** Sums over the bus at its volts and a potential of earth, with derivatives. */
interface Sums {
	/** Into whatever the bus feeds, A. */
	current: number;
	currentByVoltage: number;
	currentByEarth: number;
	/** To earth; 0 once earth has found its potential. */
	leak: number;
	leakByVoltage: number;
	leakByEarth: number;
}

/**
 * A bus with connections to earth. Earth takes the potential at which what flows into it flows out of
 * it again; for each potential every string is marched from its negative end, leaving current at its
 * joints. All potentials are against the negative pole of the bus.
 */
export class EarthedSource implements Source {
	private readonly strings: readonly TappedString[];
	private readonly poles: readonly { readonly positive: boolean; readonly resistance: number }[];
	private open: number | null = null;
	private lastEarth: number | null = null;

	/** The same bus in the air, whose open-circuit volts are close. */
	private readonly unearthed: BusSource;
	private readonly lone: boolean;

	constructor(bus: BusCircuit) {
		this.unearthed = new BusSource(bus);
		const connections = bus.earth ?? [];
		this.lone = connections.length === 1;
		const resistance = ({ resistance }: EarthConnection) => Math.max(resistance, LEAST_RESISTANCE);
		this.strings = bus.strings.map((string) => {
			const taps: Tap[] = [];
			for (const connection of connections) {
				const { at } = connection;
				if (typeof at === 'object' && at.string === string.name) {
					taps.push({ connector: at.joint, resistance: resistance(connection) });
				}
			}
			return new TappedString(string, bus, taps);
		});
		this.poles = connections.flatMap((connection) =>
			typeof connection.at === 'string'
				? [{ positive: connection.at === 'bus+', resistance: resistance(connection) }]
				: []
		);
	}

	private sums(voltage: number, earth: number): Sums {
		const sums: Sums = {
			current: 0,
			currentByVoltage: 0,
			currentByEarth: 0,
			leak: 0,
			leakByVoltage: 0,
			leakByEarth: 0
		};
		const march = emptyMarch();
		for (const string of this.strings) {
			const { reversed } = string;
			const base = reversed ? voltage : 0;
			const target = reversed ? 0 : voltage;
			const start = string.startCurrent(base, target, earth);
			string.march(base, earth, start, march);
			// The end stays at its target: the start follows the volts and earth.
			const startByVoltage = (reversed ? -1 : 1) / march.topByCurrent;
			const startByEarth = -march.topByEarth / march.topByCurrent;
			sums.leak += march.leak;
			if (reversed) {
				// Raising the base is lowering earth and the target together.
				const byBase = startByVoltage - startByEarth;
				sums.leakByVoltage += march.leakByCurrent * byBase - march.leakByEarth;
				sums.leakByEarth += march.leakByEarth + march.leakByCurrent * startByEarth;
				sums.current -= start;
				sums.currentByVoltage -= byBase;
				sums.currentByEarth -= startByEarth;
			} else {
				sums.leakByVoltage += march.leakByCurrent * startByVoltage;
				sums.leakByEarth += march.leakByEarth + march.leakByCurrent * startByEarth;
				sums.current += march.current;
				sums.currentByVoltage += march.currentByCurrent * startByVoltage;
				sums.currentByEarth += march.currentByEarth + march.currentByCurrent * startByEarth;
			}
		}
		for (const { positive, resistance } of this.poles) {
			const potential = positive ? voltage : 0;
			const leak = (potential - earth) / resistance;
			sums.leak += leak;
			sums.leakByEarth -= 1 / resistance;
			if (positive) {
				sums.leakByVoltage += 1 / resistance;
				sums.current -= leak;
				sums.currentByVoltage -= 1 / resistance;
				sums.currentByEarth += 1 / resistance;
			}
		}
		return sums;
	}

	/** Potential of earth against the negative pole, V. */
	earthAt(voltage: number): number {
		if (this.lone) return this.potentialOfLone(voltage);
		this.lastEarth = risingRoot(
			(earth, at) => {
				const { leak, leakByEarth } = this.sums(voltage, earth);
				at.value = -leak;
				at.slope = -leakByEarth;
			},
			this.lastEarth ?? voltage / 2,
			Math.max(Math.abs(voltage) / 100, 0.1)
		);
		return this.lastEarth;
	}

	/** Through a lone connection nothing flows: earth follows it, and the circuit does not know. */
	private potentialOfLone(voltage: number): number {
		const [pole] = this.poles;
		if (pole) return pole.positive ? voltage : 0;
		const string = this.strings.find(({ taps }) => taps.length > 0)!;
		return string.potentialOfTap(voltage);
	}

	conduct(voltage: number, out: Slope): void {
		if (this.lone) {
			this.unearthed.conduct(voltage, out);
			return;
		}
		const earth = this.earthAt(voltage);
		const sums = this.sums(voltage, earth);
		out.value = sums.current;
		out.slope =
			sums.currentByVoltage - (sums.currentByEarth * sums.leakByVoltage) / sums.leakByEarth;
	}

	get openVoltage(): number {
		if (this.lone) return this.unearthed.openVoltage;
		this.open ??= risingRoot(
			(voltage, at) => {
				this.conduct(voltage, at);
				at.value = -at.value;
				at.slope = -at.slope;
			},
			this.unearthed.openVoltage,
			1
		);
		return this.open;
	}

	/** Current of every segment of every string at the volts of the bus, A. */
	segmentsAt(voltage: number, earth: number): number[][] {
		return this.strings.map((string) =>
			string.reversed
				? string.segmentCurrent(voltage, 0, earth)
				: string.segmentCurrent(0, voltage, earth)
		);
	}

	cutsOf(index: number): readonly number[] {
		return this.strings[index]!.taps.map((tap) => tap.connector);
	}
}
