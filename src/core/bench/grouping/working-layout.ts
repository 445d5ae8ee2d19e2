import { currentOver, seriesVoltage, type CurveGrid } from './curves';
import type { SearchBasis } from './layout';

/** W for every volt too much: more than any swap could gain. */
const TOO_COLD = 1e4;
/** A swap is tried at so many of the grid's volts either side of the present maximum, at every second one. */
const ABOUT = 24;

/** A layout in work, with the sums that a swap changes. */
export class WorkingLayout {
	readonly strings: number[][];
	readonly out: number[];
	/** Volts over the grid's amps, and amps over its volts, of each string. */
	private readonly voltage: Float64Array[];
	private readonly current: Float64Array[];
	private readonly peaks: number[];
	private readonly cold: number[];
	private readonly total: Float64Array;
	private best = 0;
	power = 0;

	constructor(
		private readonly basis: SearchBasis,
		strings: readonly (readonly number[])[],
		out: readonly number[]
	) {
		const { grid } = basis;
		this.strings = strings.map((string) => [...string]);
		this.out = [...out];
		this.voltage = this.strings.map((string) => seriesVoltage(grid, string));
		this.current = this.voltage.map((own) => currentOver(grid, own));
		this.peaks = this.voltage.map((own) => peakOver(basis, own, own, own));
		this.cold = this.strings.map((string) => string.reduce((sum, m) => sum + basis.cold[m]!, 0));
		this.total = new Float64Array(grid.voltage.length);
		for (const own of this.current) add(this.total, own, 1);
		this.settle();
	}

	/** Finds the maximum anew. Less a price for every volt that a string is too high in the cold. */
	private settle(): void {
		const { grid, window, trackers } = this.basis;
		this.best = peakIndex(grid, this.total, window);
		const power =
			trackers === 'one'
				? grid.voltage[this.best]! * this.total[this.best]!
				: this.peaks.reduce((sum, peak) => sum + peak, 0);
		this.power = power - this.cold.reduce((sum, voltage) => sum + this.priceOf(voltage), 0);
	}

	private priceOf(cold: number): number {
		return TOO_COLD * Math.max(0, cold - this.basis.coldMost);
	}

	/** What cold volts cost more or less after a string has one module for another. */
	private coldChange(s: number, from: number, to: number): number {
		const { cold } = this.basis;
		return this.priceOf(this.cold[s]! - cold[from]! + cold[to]!) - this.priceOf(this.cold[s]!);
	}

	/** What a swap gains, W; less than 0 where it costs. */
	gain(s: number, i: number, t: number | 'out', j: number): number {
		const a = this.strings[s]![i]!;
		const b = (t === 'out' ? this.out : this.strings[t]!)[j]!;
		const price = this.coldChange(s, a, b) + (t === 'out' ? 0 : this.coldChange(t, b, a));
		const gain =
			this.basis.trackers === 'one' ? this.gainOn(s, t, a, b) : this.gainEach(s, t, a, b);
		return gain - price;
	}

	/** Exchanges module i of string s with module j of string t, or of those out, where that gives more. */
	tries(s: number, i: number, t: number | 'out', j: number, atLeast: number): boolean {
		if (this.gain(s, i, t, j) <= atLeast) return false;
		const before = this.power;
		this.exchange(s, i, t, j);
		this.settle();
		if (this.power > before) return true;
		// The maximum moved further than the swap was tried: it is taken back.
		this.exchange(s, i, t, j);
		this.settle();
		return false;
	}

	/** What a swap gains near the present maximum of one tracker, W. */
	private gainOn(s: number, t: number | 'out', a: number, b: number): number {
		const { grid, window } = this.basis;
		const { voltage, modules } = grid;
		const first = Math.max(0, this.best - ABOUT);
		const last = Math.min(voltage.length - 1, this.best + ABOUT);
		const inS = new Lookup(grid, this.voltage[s]!, modules[a]!, modules[b]!);
		const inT = t === 'out' ? null : new Lookup(grid, this.voltage[t]!, modules[b]!, modules[a]!);
		let most = 0;
		for (let v = first; v <= last; v += 2) {
			const at = voltage[v]!;
			if (at < window.least || at > window.most) continue;
			let current = this.total[v]! - this.current[s]![v]! + inS.currentAt(at);
			if (inT) current += inT.currentAt(at) - this.current[t as number]![v]!;
			if (at * current > most) most = at * current;
		}
		return most - voltage[this.best]! * this.total[this.best]!;
	}

	/** What a swap gains where each string has a tracker of its own, W. */
	private gainEach(s: number, t: number | 'out', a: number, b: number): number {
		const { modules } = this.basis.grid;
		const gain = peakOver(this.basis, this.voltage[s]!, modules[a]!, modules[b]!) - this.peaks[s]!;
		return t === 'out'
			? gain
			: gain + peakOver(this.basis, this.voltage[t]!, modules[b]!, modules[a]!) - this.peaks[t]!;
	}

	private exchange(s: number, i: number, t: number | 'out', j: number): void {
		const other = t === 'out' ? this.out : this.strings[t]!;
		const a = this.strings[s]![i]!;
		const b = other[j]!;
		this.strings[s]![i] = b;
		other[j] = a;
		this.replace(s, a, b);
		if (t !== 'out') this.replace(t, b, a);
	}

	private replace(s: number, from: number, to: number): void {
		const { grid, cold } = this.basis;
		const own = this.voltage[s]!;
		add(own, grid.modules[from]!, -1);
		add(own, grid.modules[to]!, 1);
		add(this.total, this.current[s]!, -1);
		this.current[s] = currentOver(grid, own);
		add(this.total, this.current[s]!, 1);
		this.peaks[s] = peakOver(this.basis, own, own, own);
		this.cold[s]! += cold[to]! - cold[from]!;
	}
}

/** Amps of a string with one module changed for another, asked at rising volts, without making its curve. */
class Lookup {
	private i: number;

	constructor(
		private readonly grid: CurveGrid,
		private readonly own: Float64Array,
		private readonly less: Float64Array,
		private readonly more: Float64Array
	) {
		this.i = grid.current.length - 1;
	}

	private voltageAt(i: number): number {
		return this.own[i]! - this.less[i]! + this.more[i]!;
	}

	currentAt(voltage: number): number {
		const { current, blocked } = this.grid;
		while (this.i > 0 && this.voltageAt(this.i) < voltage) this.i--;
		const { i } = this;
		if (i === current.length - 1) return current[i]!;
		const high = this.voltageAt(i);
		if (high < voltage) return blocked ? 0 : current[0]!;
		const low = this.voltageAt(i + 1);
		const share = high > low ? (high - voltage) / (high - low) : 0;
		const at = current[i]! + share * (current[i + 1]! - current[i]!);
		return blocked ? Math.max(0, at) : at;
	}
}

/** Index of the grid's volts at which a curve has its greatest power. */
function peakIndex(
	{ voltage }: CurveGrid,
	current: Float64Array,
	window: SearchBasis['window']
): number {
	let best = 0;
	let most = 0;
	for (let v = 0; v < voltage.length; v++) {
		const at = voltage[v]!;
		if (at < window.least || at > window.most) continue;
		const power = at * current[v]!;
		if (power > most) {
			most = power;
			best = v;
		}
	}
	return best;
}

/** The greatest power over the grid's amps of a string with one module changed for another, W. */
function peakOver(
	{ grid: { current }, window }: SearchBasis,
	own: Float64Array,
	less: Float64Array,
	more: Float64Array
): number {
	let most = 0;
	for (let i = 0; i < current.length; i++) {
		const at = own[i]! - less[i]! + more[i]!;
		if (at < window.least || at > window.most) continue;
		const power = at * current[i]!;
		if (power > most) most = power;
	}
	return most;
}

function add(sum: Float64Array, own: Float64Array, sign: 1 | -1): void {
	for (let i = 0; i < sum.length; i++) sum[i]! += sign * own[i]!;
}
