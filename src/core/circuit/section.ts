import { voltageAt, type SingleDiode } from '../module/single-diode';
import {
	beyondExponential,
	conductanceBeyond,
	emissionVoltage,
	endOfExponential,
	type DiodeModel
} from './diode';
import { risingRoot, type Slope } from './root';

/**
 * Reverse breakdown of one cell: its shunt current times 1 + b (1 - Vd/Vbr)^-n while the junction
 * is driven backwards.
 *
 * Bishop, Computer simulation of the effects of electrical mismatches in photovoltaic cell
 * interconnection circuits, Solar Cells 25 (1988).
 */
export interface Breakdown {
	/** b */
	readonly share: number;
	/** Vbr, V, below 0. */
	readonly volts: number;
	/** n */
	readonly exponent: number;
}

/** Typical figures of that paper, from memory. */
export const TYPICAL_BREAKDOWN: Breakdown = { share: 0.002, volts: -15, exponent: 3.2 };

/** Cells in series in one light. */
export interface CellGroup {
	readonly diode: SingleDiode;
	/** Breakdown voltage of the cells together; null: none. */
	readonly breakdown: Breakdown | null;
}

/** Volts at a current and their derivative, written in place: solved millions of times. */
export interface Solution {
	/** V */
	volts: number;
	/** dV/dI, ohm, below 0. */
	slope: number;
}

/** A two-terminal part whose volts fall as its current rises. */
export interface Part {
	solve(amps: number, out: Solution): void;
}

/** Above this multiple of n Vt a bypass diode carries its saturation current backwards, to 1e-13. */
const BLOCKED = 30;

/**
 * One section in even light: its cells with a bypass diode, or nothing, across them.
 *
 * Everything is explicit in the junction voltage x: Ic(x) through the cells, V(x) = x - Rs Ic(x), and
 * through the bypass Ib(V(x)); the string's current is their sum, and it falls as x rises.
 */
export class EvenSection implements Part {
	private readonly il: number;
	private readonly i0: number;
	private readonly rs: number;
	private readonly gsh: number;
	private readonly a: number;
	/** Saturation current of the bypass diode, A; 0 where there is none. */
	private readonly ib0: number;
	private readonly ab: number;
	/** Where the junctions leave their exponential, V. */
	private readonly end: number;
	private readonly endBypass: number;

	/** @param bypass the diode across the cells; null where it is open or there is none */
	constructor(
		readonly cells: CellGroup,
		bypass: DiodeModel | null
	) {
		const { diode } = cells;
		this.il = diode.photocurrent;
		this.i0 = diode.saturationCurrent;
		this.rs = diode.seriesResistance;
		this.gsh = 1 / diode.shuntResistance;
		this.a = diode.modifiedIdeality;
		this.ib0 = bypass?.saturationCurrent ?? 0;
		this.ab = bypass ? emissionVoltage(bypass) : 1;
		this.end = endOfExponential(this.i0, this.a);
		this.endBypass = bypass ? endOfExponential(this.ib0, this.ab) : 0;
	}

	/** Current of the section at a junction voltage, and what follows from it. */
	at(x: number, out: Explicit): void {
		const inside = x <= this.end;
		const exponential = inside
			? this.i0 * Math.exp(x / this.a)
			: beyondExponential(x, this.end, this.a);
		let shunt = x * this.gsh;
		let g = (inside ? exponential / this.a : conductanceBeyond(this.a)) + this.gsh;
		const { breakdown } = this.cells;
		if (breakdown !== null && x < 0) {
			const { share, volts, exponent } = breakdown;
			const base = 1 - x / volts;
			const multiplied = share * base ** -exponent;
			shunt += x * this.gsh * multiplied;
			g += this.gsh * (multiplied + (x * exponent * multiplied) / (volts * base));
		}
		const cells = this.il - exponential + this.i0 - shunt;
		const volts = x - this.rs * cells;
		let amps = cells;
		let h = 0;
		if (this.ib0 > 0) {
			const carries = -volts <= this.endBypass;
			const forward = carries
				? this.ib0 * Math.exp(-volts / this.ab)
				: beyondExponential(-volts, this.endBypass, this.ab);
			amps += forward - this.ib0;
			h = carries ? forward / this.ab : conductanceBeyond(this.ab);
		}
		const voltsPerX = 1 + this.rs * g;
		out.volts = volts;
		out.amps = amps;
		out.cellAmps = cells;
		out.voltsPerX = voltsPerX;
		out.ampsPerX = -g - h * voltsPerX;
	}

	solve(amps: number, out: Solution): void {
		const surplus = this.il - amps - this.ib0;
		if (surplus > 0) {
			// Forward: the bypass diode only leaks, and the cells alone decide.
			const volts = voltageAt(this.cells.diode, amps + this.ib0);
			if (this.ib0 === 0 || volts > BLOCKED * this.ab) {
				const x = volts + (amps + this.ib0) * this.rs;
				if (x >= 0) {
					const g = (surplus + this.i0 - x * this.gsh) / this.a + this.gsh;
					out.volts = volts;
					out.slope = -1 / g - this.rs;
					return;
				}
			}
		}
		const x = this.junctionAt(amps);
		this.at(x, EXPLICIT);
		out.volts = EXPLICIT.volts;
		out.slope = EXPLICIT.voltsPerX / EXPLICIT.ampsPerX;
	}

	/** Junction voltage at a current of the section. */
	junctionAt(amps: number): number {
		const residual = (x: number, out: Slope) => {
			this.at(x, EXPLICIT);
			out.value = amps - EXPLICIT.amps;
			out.slope = -EXPLICIT.ampsPerX;
		};
		return risingRoot(residual, this.guess(amps), Math.min(this.a, this.ab), this.leastJunction());
	}

	private guess(amps: number): number {
		const surplus = this.il - amps - this.ib0;
		if (surplus > 0) {
			return Math.min(this.a * Math.log1p(surplus / this.i0), surplus / this.gsh);
		}
		if (this.ib0 === 0) return surplus / this.gsh;
		// Around 0 V, where the diode begins to carry.
		return this.rs * this.il - this.ab * Math.log1p(Math.max(amps - this.il, 0) / this.ib0);
	}

	/** Where breakdown has a pole, a hair above it. */
	leastJunction(): number {
		const { breakdown } = this.cells;
		return breakdown === null ? Number.NEGATIVE_INFINITY : breakdown.volts * (1 - 1e-9);
	}
}

export interface Explicit {
	volts: number;
	/** Of the section. */
	amps: number;
	/** Through the cells alone. */
	cellAmps: number;
	voltsPerX: number;
	ampsPerX: number;
}

/** Written and read within one call, never kept. */
const EXPLICIT: Explicit = { volts: 0, amps: 0, cellAmps: 0, voltsPerX: 1, ampsPerX: -1 };

/** Rsh ~ 1/light has no end in the dark; from a millionth of the light on it stays where it is. */
const DARK_SHUNT = 1e6;

/** Which cells of a section are meant, and in what light. */
interface GroupShape {
	/** Of the section's cells. */
	readonly share: number;
	/** How many they are. */
	readonly cells: number;
	/** Share of the light. */
	readonly light: number;
	/** Across the whole section, ohm; undefined where none. */
	readonly leak: number | undefined;
	readonly breakdown: Breakdown | null;
}

/** Cells in series of one section: Rs, Rsh and a by their share, IL and 1/Rsh by their light. */
export function cellGroup(
	section: SingleDiode,
	{ share, cells, light, leak, breakdown }: GroupShape
): CellGroup {
	const byLight = section.shuntResistance * Math.min(1 / light, DARK_SHUNT);
	const shunt = leak === undefined ? byLight : 1 / (1 / byLight + 1 / leak);
	return {
		diode: {
			photocurrent: section.photocurrent * light,
			saturationCurrent: section.saturationCurrent,
			seriesResistance: section.seriesResistance * share,
			shuntResistance: shunt * share,
			modifiedIdeality: section.modifiedIdeality * share
		},
		breakdown: breakdown && { ...breakdown, volts: breakdown.volts * cells }
	};
}
