import { BusSource, type Source } from './bus';
import { CLOSED, moduleCountOf, poleConducts, type BusCircuit } from './description';
import { EarthedSource } from './earthed';
import type { Load } from './load';
import { operate, type Operation } from './operate';

/** A stretch of a string that carries one current. */
interface Segment {
	/** Joint at its upper end; the first begins at the negative pole. */
	readonly upTo: number;
	/** A */
	readonly current: number;
}

/** A bus in the state that its load brings about. */
export interface BusState extends Operation {
	readonly bus: BusCircuit;
	/** Current of every string into the positive pole of the bus, A; negative is back-feed. */
	readonly branches: readonly number[];
	/** For each string its stretches from the negative end; one where nothing leaves it. */
	readonly segments: readonly (readonly Segment[])[];
	/** Potential of earth against the negative pole of the bus, V; null where nothing is joined to earth. */
	readonly earth: number | null;
}

function isEarthed({ earth }: BusCircuit): boolean {
	return (earth?.length ?? 0) > 0;
}

/** What a bus is to its load. */
export function sourceOf(bus: BusCircuit): Source {
	return isEarthed(bus) ? new EarthedSource(bus) : new BusSource(bus);
}

/** The load behind the switch of the bus: none where a pole is open. */
function loadBehindSwitch({ disconnect = CLOSED, load = { kind: 'open' } }: BusCircuit): Load {
	const joined = poleConducts(disconnect, 'positive') && poleConducts(disconnect, 'negative');
	return joined ? load : { kind: 'open' };
}

/** Solves a bus on its own load. */
export function solveBus(bus: BusCircuit): BusState {
	const load = loadBehindSwitch(bus);
	if (isEarthed(bus)) {
		const source = new EarthedSource(bus);
		const operation = operate(source, load);
		const earth = source.earthAt(operation.volts);
		const runs = source.segmentsAt(operation.volts, earth);
		const segments = runs.map((current, i) => {
			const bounds = [...source.cutsOf(i), moduleCountOf(bus.strings[i]!)];
			return current.map((value, k): Segment => ({ upTo: bounds[k]!, current: value }));
		});
		const branches = segments.map((segment, i) =>
			bus.strings[i]!.leadsReversed ? -segment[0]!.current : segment.at(-1)!.current
		);
		return { bus, ...operation, branches, segments, earth };
	}
	const source = new BusSource(bus);
	const operation = operate(source, load);
	const branches = source.branchesAt(operation.volts);
	// Inside a string whose leads have changed places the current runs the other way.
	const inside = signed(bus, branches);
	const segments = inside.map((current, i) => [{ upTo: moduleCountOf(bus.strings[i]!), current }]);
	return { bus, ...operation, branches, segments, earth: null };
}

function signed({ strings }: BusCircuit, current: readonly number[]): number[] {
	return current.map((value, i) => (strings[i]!.leadsReversed ? -value : value));
}
