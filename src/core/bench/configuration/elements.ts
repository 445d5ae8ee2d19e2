import { BLOCKING_SCHOTTKY, type Source, StringSource, voltageInto } from '../../circuit';
import { risingRoot, type Slope } from '../../numerics';
import { USUAL_PARTS } from '../../expectation';
import { stringOf, type Sky, type TestedModule } from '../tested';
import type { ArrayConfiguration } from './tree';

/** Anything with two terminals of which volts and amps follow one another. */
export interface Element extends Source {
	voltageAt(current: number): number;
	currentAt(voltage: number): number;
	/** Volts at a current and dV/dI, ohm. */
	solve(current: number, out: { voltage: number; slope: number }): void;
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
			const { irradiance, id } = own[m]!;
			if (id === bridged) return { ...run, state: 'bridged' as const };
			return irradiance === 1
				? run
				: { ...run, sections: run.sections.map((state) => ({ ...state, light: irradiance })) };
		}),
		...(blocked && { blockingDiode: { ...BLOCKING_SCHOTTKY, state: 'whole' as const } })
	};
	return StringSource.of(lit, { ...USUAL_PARTS }, 'bus');
}

class Series implements Element {
	private open: number | null = null;

	constructor(private readonly of: readonly Element[]) {}

	voltageAt(current: number): number {
		return this.of.reduce((sum, one) => sum + one.voltageAt(current), 0);
	}

	solve(current: number, out: { voltage: number; slope: number }): void {
		let voltage = 0;
		let slope = 0;
		for (const one of this.of) {
			one.solve(current, out);
			voltage += out.voltage;
			slope += out.slope;
		}
		out.voltage = voltage;
		out.slope = slope;
	}

	currentAt(voltage: number): number {
		const at = { voltage: 0, slope: 0 };
		return risingRoot(
			(current, out) => {
				this.solve(current, at);
				out.value = voltage - at.voltage;
				out.slope = -at.slope;
			},
			1,
			1
		);
	}

	conduct(voltage: number, out: Slope): void {
		const current = this.currentAt(voltage);
		const at = { voltage: 0, slope: 0 };
		this.solve(current, at);
		out.value = current;
		out.slope = 1 / at.slope;
	}

	get openVoltage(): number {
		this.open ??= this.voltageAt(0);
		return this.open;
	}
}

class Parallel implements Element {
	private open: number | null = null;

	constructor(readonly of: readonly Element[]) {}

	currentAt(voltage: number): number {
		return this.of.reduce((sum, one) => sum + one.currentAt(voltage), 0);
	}

	conduct(voltage: number, out: Slope): void {
		let value = 0;
		let slope = 0;
		for (const one of this.of) {
			one.conduct(voltage, out);
			value += out.value;
			slope += out.slope;
		}
		out.value = value;
		out.slope = slope;
	}

	voltageAt(current: number): number {
		const residual = (voltage: number, out: Slope) => {
			this.conduct(voltage, out);
			out.value = current - out.value;
			out.slope = -out.slope;
		};
		return risingRoot(residual, this.openVoltage, 1);
	}

	solve(current: number, out: { voltage: number; slope: number }): void {
		const voltage = this.voltageAt(current);
		const at = { value: 0, slope: 0 };
		this.conduct(voltage, at);
		out.voltage = voltage;
		out.slope = 1 / at.slope;
	}

	get openVoltage(): number {
		this.open ??= voltageInto(this, 0, Math.max(...this.of.map(({ openVoltage }) => openVoltage)));
		return this.open;
	}

	/** Current of every branch, A. */
	branchesAt(voltage: number): number[] {
		return this.of.map((one) => one.currentAt(voltage));
	}
}

/** Currents of the branches of a built mix at its volts, A; one where it has no branches. */
export function branchCurrent(element: Element, voltage: number): number[] {
	return element instanceof Parallel ? element.branchesAt(voltage) : [element.currentAt(voltage)];
}
