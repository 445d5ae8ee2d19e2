import { BusSource, type Source } from './bus';
import { chainAmps, chainOf, chainVolts, type Chain } from './chain';
import { gatherString } from './compile';
import type { BusCircuit, EarthConnection, StringCircuit } from './description';
import { risingRoot, type Slope } from '../numerics';
import type { Solution } from './section';

/** A fault of less than this is not told from a dead short, ohm. */
const LEAST_OHMS = 1e-3;

/** A place of a string that is joined to earth. */
interface Tap {
	readonly joint: number;
	readonly ohms: number;
}

/** What a march along a string finds, for a current at its negative end and a potential of earth. */
interface March {
	/** Potential at the positive end, V, with its derivatives by that current and by earth's potential. */
	top: number;
	topByAmps: number;
	topByEarth: number;
	/** Current out of the positive end. */
	amps: number;
	ampsByAmps: number;
	ampsByEarth: number;
	/** Current to earth from all taps. */
	leak: number;
	leakByAmps: number;
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
		this.taps = [...taps].sort((a, b) => a.joint - b.joint);
		const cuts = this.taps.map((tap) => tap.joint);
		this.chains = gatherString(string, bus, 'bus', cuts).map((stretch) => stretch.chain(bus));
		this.reversed = string.leadsReversed ?? false;
	}

	march(base: number, earth: number, start: number, out: March): void {
		const one: Solution = { volts: 0, slope: 0 };
		let amps = start;
		let ampsByAmps = 1;
		let ampsByEarth = 0;
		let top = base;
		let topByAmps = 0;
		let topByEarth = 0;
		out.leak = out.leakByAmps = out.leakByEarth = 0;
		this.chains.forEach((chain, i) => {
			chainVolts(chain, amps, one);
			top += one.volts;
			topByAmps += one.slope * ampsByAmps;
			topByEarth += one.slope * ampsByEarth;
			const tap = this.taps[i];
			if (!tap) return;
			const leak = (top - earth) / tap.ohms;
			const leakByAmps = topByAmps / tap.ohms;
			const leakByEarth = (topByEarth - 1) / tap.ohms;
			amps -= leak;
			ampsByAmps -= leakByAmps;
			ampsByEarth -= leakByEarth;
			out.leak += leak;
			out.leakByAmps += leakByAmps;
			out.leakByEarth += leakByEarth;
		});
		Object.assign(out, { top, topByAmps, topByEarth, amps, ampsByAmps, ampsByEarth });
	}

	/** Current at the negative end for given potentials of both ends and of earth. */
	startAmps(base: number, target: number, earth: number): number {
		if (this.taps.length === 0) return chainAmps(this.chains[0]!, target - base);
		const march = emptyMarch();
		this.last = risingRoot(
			(amps, at) => {
				this.march(base, earth, amps, march);
				at.value = target - march.top;
				at.slope = -march.topByAmps;
			},
			this.last,
			0.1
		);
		return this.last;
	}

	/** Potential of its only tap where no current leaves there, V against the negative pole of the bus. */
	potentialOfTap(volts: number): number {
		const whole: Chain = chainOf(
			this.chains.flatMap(({ parts }) => parts),
			this.chains.reduce((sum, { resistance }) => sum + resistance, 0)
		);
		const amps = chainAmps(whole, this.reversed ? -volts : volts);
		const below: Solution = { volts: 0, slope: 0 };
		chainVolts(this.chains[0]!, amps, below);
		return (this.reversed ? volts : 0) + below.volts;
	}

	/** Current of every segment, from the negative end, A. */
	segmentAmps(base: number, target: number, earth: number): number[] {
		const one: Solution = { volts: 0, slope: 0 };
		let amps = this.startAmps(base, target, earth);
		let top = base;
		return this.chains.map((chain, i) => {
			const here = amps;
			chainVolts(chain, amps, one);
			top += one.volts;
			const tap = this.taps[i];
			if (tap) amps -= (top - earth) / tap.ohms;
			return here;
		});
	}
}

function emptyMarch(): March {
	return {
		top: 0,
		topByAmps: 0,
		topByEarth: 0,
		amps: 0,
		ampsByAmps: 0,
		ampsByEarth: 0,
		leak: 0,
		leakByAmps: 0,
		leakByEarth: 0
	};
}

/** Sums over the bus at its volts and a potential of earth, with derivatives. */
interface Sums {
	/** Into whatever the bus feeds, A. */
	amps: number;
	ampsByVolts: number;
	ampsByEarth: number;
	/** To earth; 0 once earth has found its potential. */
	leak: number;
	leakByVolts: number;
	leakByEarth: number;
}

/**
 * A bus with connections to earth. Earth takes the potential at which what flows into it flows out of
 * it again; for each potential every string is marched from its negative end, leaving current at its
 * joints. All potentials are against the negative pole of the bus.
 */
export class EarthedSource implements Source {
	private readonly strings: readonly TappedString[];
	private readonly poles: readonly { readonly positive: boolean; readonly ohms: number }[];
	private open: number | null = null;
	private lastEarth: number | null = null;

	/** The same bus in the air, whose open-circuit volts are close. */
	private readonly unearthed: BusSource;
	private readonly lone: boolean;

	constructor(bus: BusCircuit) {
		this.unearthed = new BusSource(bus);
		const connections = bus.earth ?? [];
		this.lone = connections.length === 1;
		const ohms = ({ resistance }: EarthConnection) => Math.max(resistance, LEAST_OHMS);
		this.strings = bus.strings.map((string) => {
			const taps: Tap[] = [];
			for (const connection of connections) {
				const { at } = connection;
				if (typeof at === 'object' && at.string === string.name) {
					taps.push({ joint: at.joint, ohms: ohms(connection) });
				}
			}
			return new TappedString(string, bus, taps);
		});
		this.poles = connections.flatMap((connection) =>
			typeof connection.at === 'string'
				? [{ positive: connection.at === 'bus+', ohms: ohms(connection) }]
				: []
		);
	}

	private sums(volts: number, earth: number): Sums {
		const sums: Sums = {
			amps: 0,
			ampsByVolts: 0,
			ampsByEarth: 0,
			leak: 0,
			leakByVolts: 0,
			leakByEarth: 0
		};
		const march = emptyMarch();
		for (const string of this.strings) {
			const { reversed } = string;
			const base = reversed ? volts : 0;
			const target = reversed ? 0 : volts;
			const start = string.startAmps(base, target, earth);
			string.march(base, earth, start, march);
			// The end stays at its target: the start follows the volts and earth.
			const startByVolts = (reversed ? -1 : 1) / march.topByAmps;
			const startByEarth = -march.topByEarth / march.topByAmps;
			sums.leak += march.leak;
			if (reversed) {
				// Raising the base is lowering earth and the target together.
				const byBase = startByVolts - startByEarth;
				sums.leakByVolts += march.leakByAmps * byBase - march.leakByEarth;
				sums.leakByEarth += march.leakByEarth + march.leakByAmps * startByEarth;
				sums.amps -= start;
				sums.ampsByVolts -= byBase;
				sums.ampsByEarth -= startByEarth;
			} else {
				sums.leakByVolts += march.leakByAmps * startByVolts;
				sums.leakByEarth += march.leakByEarth + march.leakByAmps * startByEarth;
				sums.amps += march.amps;
				sums.ampsByVolts += march.ampsByAmps * startByVolts;
				sums.ampsByEarth += march.ampsByEarth + march.ampsByAmps * startByEarth;
			}
		}
		for (const { positive, ohms } of this.poles) {
			const potential = positive ? volts : 0;
			const leak = (potential - earth) / ohms;
			sums.leak += leak;
			sums.leakByEarth -= 1 / ohms;
			if (positive) {
				sums.leakByVolts += 1 / ohms;
				sums.amps -= leak;
				sums.ampsByVolts -= 1 / ohms;
				sums.ampsByEarth += 1 / ohms;
			}
		}
		return sums;
	}

	/** Potential of earth against the negative pole, V. */
	earthAt(volts: number): number {
		if (this.lone) return this.potentialOfLone(volts);
		this.lastEarth = risingRoot(
			(earth, at) => {
				const { leak, leakByEarth } = this.sums(volts, earth);
				at.value = -leak;
				at.slope = -leakByEarth;
			},
			this.lastEarth ?? volts / 2,
			Math.max(Math.abs(volts) / 100, 0.1)
		);
		return this.lastEarth;
	}

	/** Through a lone connection nothing flows: earth follows it, and the circuit does not know. */
	private potentialOfLone(volts: number): number {
		const [pole] = this.poles;
		if (pole) return pole.positive ? volts : 0;
		const string = this.strings.find(({ taps }) => taps.length > 0)!;
		return string.potentialOfTap(volts);
	}

	conduct(volts: number, out: Slope): void {
		if (this.lone) {
			this.unearthed.conduct(volts, out);
			return;
		}
		const earth = this.earthAt(volts);
		const sums = this.sums(volts, earth);
		out.value = sums.amps;
		out.slope = sums.ampsByVolts - (sums.ampsByEarth * sums.leakByVolts) / sums.leakByEarth;
	}

	get openVolts(): number {
		if (this.lone) return this.unearthed.openVolts;
		this.open ??= risingRoot(
			(volts, at) => {
				this.conduct(volts, at);
				at.value = -at.value;
				at.slope = -at.slope;
			},
			this.unearthed.openVolts,
			1
		);
		return this.open;
	}

	/** Current of every segment of every string at the volts of the bus, A. */
	segmentsAt(volts: number, earth: number): number[][] {
		return this.strings.map((string) =>
			string.reversed ? string.segmentAmps(volts, 0, earth) : string.segmentAmps(0, volts, earth)
		);
	}

	cutsOf(index: number): readonly number[] {
		return this.strings[index]!.taps.map((tap) => tap.joint);
	}
}
