import { BLOCKING_SCHOTTKY, type Source, StringSource, voltsInto } from '../../circuit';
import { risingRoot, type Slope } from '../../numerics';
import { USUAL_PARTS } from '../../expectation';
import { stringOf, type Sky, type TestedModule } from '../tested';
import type { ArrayConfiguration } from './tree';

/** Anything with two terminals of which volts and amps follow one another. */
export interface Element extends Source {
	voltsAt(amps: number): number;
	ampsAt(volts: number): number;
	/** Volts at a current and dV/dI, ohm. */
	solve(amps: number, out: { volts: number; slope: number }): void;
}

/** What a mix is solved with. */
export interface ConfigurationParts {
	/** What stands at a place, by the id that the place names. */
	readonly moduleOf: (id: string) => TestedModule;
	readonly sky: Sky;
	/** A blocking diode in every branch of several. */
	readonly blocking: boolean;
	/** Place of a module that is shorted at its leads. */
	readonly bridged?: string;
}

/** A mix as elements, with those of its parts by id. */
export interface Built {
	readonly element: Element;
	readonly parts: ReadonlyMap<string, Element>;
}

export function build(mix: ArrayConfiguration, parts: ConfigurationParts): Built {
	const known = new Map<string, Element>();
	const element = elementOf(mix, parts, known, mix.kind === 'parallel');
	return { element, parts: known };
}

function elementOf(
	mix: ArrayConfiguration,
	parts: ConfigurationParts,
	known: Map<string, Element>,
	isBus: boolean
): Element {
	const element = make(mix, parts, known, isBus);
	known.set(mix.id, element);
	return element;
}

function make(
	mix: ArrayConfiguration,
	parts: ConfigurationParts,
	known: Map<string, Element>,
	isBus: boolean
): Element {
	if (mix.kind === 'module') return chainOf([mix], parts, false);
	if (mix.kind === 'parallel') {
		return new Parallel(
			mix.parts.map((part) => {
				if (!isBus || !parts.blocking) return elementOf(part, parts, known, false);
				// The part by itself for what its modules do; with its diode for what the bus does.
				const bare = elementOf(part, parts, known, false);
				const own = modulesIn(part);
				return own ? chainOf(own, parts, true) : bare;
			})
		);
	}
	const own = modulesIn(mix);
	for (const part of mix.parts) elementOf(part, parts, known, false);
	// Modules in series are one chain, which the circuit solves in one go.
	return own
		? chainOf(own, parts, false)
		: new Series(mix.parts.map((part) => known.get(part.id)!));
}

/** The modules of a part that is one, or several in series alone; null for all else. */
function modulesIn(
	mix: ArrayConfiguration
): readonly Extract<ArrayConfiguration, { kind: 'module' }>[] | null {
	if (mix.kind === 'module') return [mix];
	if (mix.kind === 'parallel') return null;
	const own = mix.parts.flatMap((part) => (part.kind === 'module' ? [part] : []));
	return own.length === mix.parts.length ? own : null;
}

function chainOf(
	own: readonly Extract<ArrayConfiguration, { kind: 'module' }>[],
	{ moduleOf, sky, bridged }: ConfigurationParts,
	blocked: boolean
): StringSource {
	const string = stringOf(
		'',
		own.map(({ of }) => moduleOf(of)),
		sky
	);
	const lit = {
		...string,
		modules: string.modules.map((run, m) => {
			const { light, id } = own[m]!;
			if (id === bridged) return { ...run, state: 'bridged' as const };
			return light === 1
				? run
				: { ...run, sections: run.sections.map((state) => ({ ...state, light })) };
		}),
		...(blocked && { blockingDiode: { ...BLOCKING_SCHOTTKY, state: 'whole' as const } })
	};
	return StringSource.of(lit, { ...USUAL_PARTS }, 'bus');
}

class Series implements Element {
	private open: number | null = null;

	constructor(private readonly of: readonly Element[]) {}

	voltsAt(amps: number): number {
		return this.of.reduce((sum, one) => sum + one.voltsAt(amps), 0);
	}

	solve(amps: number, out: { volts: number; slope: number }): void {
		let volts = 0;
		let slope = 0;
		for (const one of this.of) {
			one.solve(amps, out);
			volts += out.volts;
			slope += out.slope;
		}
		out.volts = volts;
		out.slope = slope;
	}

	ampsAt(volts: number): number {
		const at = { volts: 0, slope: 0 };
		return risingRoot(
			(amps, out) => {
				this.solve(amps, at);
				out.value = volts - at.volts;
				out.slope = -at.slope;
			},
			1,
			1
		);
	}

	conduct(volts: number, out: Slope): void {
		const amps = this.ampsAt(volts);
		const at = { volts: 0, slope: 0 };
		this.solve(amps, at);
		out.value = amps;
		out.slope = 1 / at.slope;
	}

	get openVolts(): number {
		this.open ??= this.voltsAt(0);
		return this.open;
	}
}

class Parallel implements Element {
	private open: number | null = null;

	constructor(readonly of: readonly Element[]) {}

	ampsAt(volts: number): number {
		return this.of.reduce((sum, one) => sum + one.ampsAt(volts), 0);
	}

	conduct(volts: number, out: Slope): void {
		let value = 0;
		let slope = 0;
		for (const one of this.of) {
			one.conduct(volts, out);
			value += out.value;
			slope += out.slope;
		}
		out.value = value;
		out.slope = slope;
	}

	voltsAt(amps: number): number {
		const residual = (volts: number, out: Slope) => {
			this.conduct(volts, out);
			out.value = amps - out.value;
			out.slope = -out.slope;
		};
		return risingRoot(residual, this.openVolts, 1);
	}

	solve(amps: number, out: { volts: number; slope: number }): void {
		const volts = this.voltsAt(amps);
		const at = { value: 0, slope: 0 };
		this.conduct(volts, at);
		out.volts = volts;
		out.slope = 1 / at.slope;
	}

	get openVolts(): number {
		this.open ??= voltsInto(this, 0, Math.max(...this.of.map(({ openVolts }) => openVolts)));
		return this.open;
	}

	/** Current of every branch, A. */
	branchesAt(volts: number): number[] {
		return this.of.map((one) => one.ampsAt(volts));
	}
}

/** Currents of the branches of a built mix at its volts, A; one where it has no branches. */
export function branchAmps(element: Element, volts: number): number[] {
	return element instanceof Parallel ? element.branchesAt(volts) : [element.ampsAt(volts)];
}
