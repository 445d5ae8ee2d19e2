import { type SingleDiode, voltageAt } from '../module';
import {
	beyondExponential,
	conductanceBeyond,
	emissionVoltage,
	endOfExponential,
	type DiodeModel
} from './diode';
import { risingRoot, type Slope } from '../numerics';

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
	voltage: number;
	/** dV/dI, ohm, below 0. */
	slope: number;
}

/** A two-terminal part whose volts fall as its current rises. */
export interface Part {
	solve(current: number, out: Solution): void;
}

/** Above this multiple of n Vt a bypass diode carries its saturation current backwards, to 1e-13. */
const BLOCKED = 30;

/**
 * One section in even light: its cells with a bypass diode, or nothing, across them.
 *
 * Everything is explicit in the junction voltage x: Ic(x) through the cells, V(x) = x - Rs Ic(x), and
 * through the bypass Ib(V(x)); the string's current is their sum, and it falls as x rises.
 */
export class EvenSubstring implements Part {
	private readonly il: number;
	private readonly i0: number;
	private readonly rs: number;
	private readonly gsh: number;
	private readonly a: number;
	/** Saturation current of the bypass diode, A; 0 where there is none. */
	private readonly ib0: number;
	private readonly ab: number;
	/** The sharper of both junctions' scales, V. */
	private readonly bendsAt: number;
	/** 1/a and 1/(n Vt) of the bypass diode, 1/V. */
	private readonly perA: number;
	private readonly perAb: number;
	/** Volts above which the bypass diode lets its saturation current back and no more. */
	private readonly blocked: number;
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
		this.bendsAt = Math.min(this.a, this.ab);
		this.perA = 1 / this.a;
		this.perAb = 1 / this.ab;
		this.blocked = bypass ? BLOCKED * this.ab : Number.POSITIVE_INFINITY;
		this.end = endOfExponential(this.i0, this.a);
		this.endBypass = bypass ? endOfExponential(this.ib0, this.ab) : 0;
	}

	/** Current of the section at a junction voltage, and what follows from it. */
	at(x: number, out: Explicit): void {
		const inside = x <= this.end;
		const exponential = inside
			? this.i0 * Math.exp(x * this.perA)
			: beyondExponential(x, this.end, this.a);
		let shunt = x * this.gsh;
		let g = (inside ? exponential * this.perA : conductanceBeyond(this.a)) + this.gsh;
		const { breakdown } = this.cells;
		if (breakdown !== null && x < 0) {
			const { share, volts: voltage, exponent } = breakdown;
			const ratio = x / voltage;
			const base = 1 - ratio;
			// Far from breakdown two terms of the power series are right to 1e-8, and much faster.
			const multiplied =
				share *
				(ratio < 1e-3
					? 1 + exponent * ratio * (1 + 0.5 * (exponent + 1) * ratio)
					: base ** -exponent);
			shunt += x * this.gsh * multiplied;
			g += this.gsh * (multiplied + (x * exponent * multiplied) / (voltage * base));
		}
		const cells = this.il - exponential + this.i0 - shunt;
		const voltage = x - this.rs * cells;
		let current = cells;
		let h = 0;
		if (voltage > this.blocked) current -= this.ib0;
		else if (this.ib0 > 0) {
			const carries = -voltage <= this.endBypass;
			const forward = carries
				? this.ib0 * Math.exp(-voltage * this.perAb)
				: beyondExponential(-voltage, this.endBypass, this.ab);
			current += forward - this.ib0;
			h = carries ? forward * this.perAb : conductanceBeyond(this.ab);
		}
		const voltagePerX = 1 + this.rs * g;
		out.voltage = voltage;
		out.current = current;
		out.cellCurrent = cells;
		out.voltagePerX = voltagePerX;
		out.currentPerX = -g - h * voltagePerX;
	}

	solve(current: number, out: Solution): void {
		const surplus = this.il - current - this.ib0;
		if (surplus > 0) {
			// Forward: the bypass diode only leaks, and the cells alone decide.
			const voltage = voltageAt(this.cells.diode, current + this.ib0);
			if (this.ib0 === 0 || voltage > this.blocked) {
				const x = voltage + (current + this.ib0) * this.rs;
				if (x >= 0) {
					const g = (surplus + this.i0 - x * this.gsh) / this.a + this.gsh;
					out.voltage = voltage;
					out.slope = -1 / g - this.rs;
					return;
				}
			}
		}
		let x = current > this.il && this.ib0 > 0 ? this.passed(current) : Number.NaN;
		if (Number.isNaN(x)) {
			x = this.junctionAt(current);
			this.at(x, EXPLICIT);
		}
		out.voltage = EXPLICIT.voltage;
		out.slope = EXPLICIT.voltagePerX / EXPLICIT.currentPerX;
	}

	/**
	 * Adds the section's volts, times a factor, at each of many currents. Neighbouring currents start from
	 * each other's answer, carried on by its slope, so that one or two steps settle most of them.
	 *
	 * @param current A, [points], in order
	 * @param voltage V, [points], added to
	 */
	sweep(current: Float64Array, factor: number, voltage: Float64Array): void {
		const solution: Solution = { voltage: 0, slope: 0 };
		let x = Number.NaN;
		// dx/dI and how it changes, from the answers before.
		let perAmp = 0;
		let bend = 0;
		for (let k = 0; k < current.length; k++) {
			const wanted = current[k]!;
			const step = k > 0 ? wanted - current[k - 1]! : 0;
			x = this.follow(wanted, x + step * (perAmp + 0.5 * bend * step));
			if (Number.isNaN(x)) {
				this.solve(wanted, solution);
				voltage[k]! += factor * solution.voltage;
				// V = x - Rs Ic, and beyond the photocurrent the cells give next to all of it.
				x = solution.voltage + this.rs * Math.min(wanted + this.ib0, this.il);
				perAmp = solution.slope + (solution.voltage > this.blocked ? this.rs : 0);
				bend = 0;
			} else {
				voltage[k]! += factor * EXPLICIT.voltage;
				const slope = 1 / EXPLICIT.currentPerX;
				bend = perAmp !== 0 && step !== 0 ? (slope - perAmp) / step : 0;
				perAmp = slope;
			}
		}
	}

	/** A few Newton steps from a junction voltage close by, leaving {@link EXPLICIT} there; NaN otherwise. */
	private follow(current: number, near: number): number {
		let x = near;
		for (let step = 0; step < 4; step++) {
			this.at(x, EXPLICIT);
			const move = (current - EXPLICIT.current) / EXPLICIT.currentPerX;
			// Not NaN, and not so far that the exponentials run away.
			if (!(Math.abs(move) < 0.5 * this.a)) return Number.NaN;
			x += move;
			// What is left after this step is about its square over n Vt: 1e-10 V.
			if (Math.abs(move) <= 1e-4 * this.bendsAt) {
				EXPLICIT.voltage += EXPLICIT.voltagePerX * move;
				return x;
			}
		}
		return Number.NaN;
	}

	/**
	 * Junction voltage while the bypass diode carries what the cells cannot, NaN where a few steps do not
	 * settle it. In the logarithm of the diode's share the equation is almost straight. Leaves
	 * {@link EXPLICIT} at the answer.
	 */
	private passed(current: number): number {
		let x = this.rs * this.il - this.ab * Math.log1p((current - this.il) / this.ib0);
		for (let step = 0; step < 6; step++) {
			this.at(x, EXPLICIT);
			const { voltage, cellCurrent, voltagePerX, currentPerX } = EXPLICIT;
			const carried = EXPLICIT.current - cellCurrent + this.ib0;
			const wanted = current - cellCurrent + this.ib0;
			if (!(wanted > 0 && carried > 0)) return Number.NaN;
			// What the cells' current falls by, S, from the slopes of both.
			const g = -currentPerX - (carried / this.ab) * voltagePerX;
			const miss = this.ab * Math.log(wanted / carried);
			const move = -miss / (voltagePerX + (this.ab * g) / wanted);
			if (!(Math.abs(move) < 1)) return Number.NaN;
			x += move;
			if (Math.abs(move) <= 1e-9) {
				// So near, the slopes carry the rest.
				EXPLICIT.voltage = voltage + voltagePerX * move;
				return x;
			}
		}
		return Number.NaN;
	}

	/** Junction voltage at a current of the section. */
	junctionAt(current: number): number {
		const residual = (x: number, out: Slope) => {
			this.at(x, EXPLICIT);
			out.value = current - EXPLICIT.current;
			out.slope = -EXPLICIT.currentPerX;
		};
		return risingRoot(residual, this.guess(current), this.bendsAt, this.leastJunction());
	}

	private guess(current: number): number {
		const surplus = this.il - current - this.ib0;
		if (surplus > 0) {
			return Math.min(this.a * Math.log1p(surplus / this.i0), surplus / this.gsh);
		}
		if (this.ib0 === 0) return surplus / this.gsh;
		// Around 0 V, where the diode begins to carry.
		return this.rs * this.il - this.ab * Math.log1p(Math.max(current - this.il, 0) / this.ib0);
	}

	/** Where breakdown has a pole, a hair above it. */
	leastJunction(): number {
		const { breakdown } = this.cells;
		return breakdown === null ? Number.NEGATIVE_INFINITY : breakdown.volts * (1 - 1e-9);
	}
}

export interface Explicit {
	voltage: number;
	/** Of the section. */
	current: number;
	/** Through the cells alone. */
	cellCurrent: number;
	voltagePerX: number;
	currentPerX: number;
}

/** Written and read within one call, never kept. */
const EXPLICIT: Explicit = {
	voltage: 0,
	current: 0,
	cellCurrent: 0,
	voltagePerX: 1,
	currentPerX: -1
};

/** Rsh ~ 1/light has no end in the dark; from a millionth of the light on it stays where it is. */
const DARK_SHUNT = 1e6;

/** Which cells of a section are meant, and in what light. */
interface GroupShape {
	/** Of the section's cells. */
	readonly share: number;
	/** How many they are. */
	readonly cells: number;
	/** Share of the light. */
	readonly irradiance: number;
	/** Across the whole section, ohm; undefined where none. */
	readonly leak: number | undefined;
	readonly breakdown: Breakdown | null;
}

/** Cells in series of one section: Rs, Rsh and a by their share, IL and 1/Rsh by their light. */
export function cellGroup(
	substring: SingleDiode,
	{ share, cells, irradiance, leak, breakdown }: GroupShape
): CellGroup {
	const byIrradiance = substring.shuntResistance * Math.min(1 / irradiance, DARK_SHUNT);
	const shunt = leak === undefined ? byIrradiance : 1 / (1 / byIrradiance + 1 / leak);
	return {
		diode: {
			photocurrent: substring.photocurrent * irradiance,
			saturationCurrent: substring.saturationCurrent,
			seriesResistance: substring.seriesResistance * share,
			shuntResistance: shunt * share,
			modifiedIdeality: substring.modifiedIdeality * share
		},
		breakdown: breakdown && { ...breakdown, volts: breakdown.volts * cells }
	};
}
