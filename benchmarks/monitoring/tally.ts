import { wilson } from '../tracing/score';
import { DAY, UNITS, type Answer } from './answer';

/** What is hidden in a site-year. */
export interface Hidden {
	readonly kind: string;
	/** From 1; null where it concerns no unit. */
	readonly unit: number | null;
	/** First day of it. */
	readonly since: string | null;
	/** kWh */
	readonly lost: number;
}

const daysBetween = (a: string, b: string) => Math.abs(Date.parse(a) - Date.parse(b)) / DAY;

export const holds = (band: { readonly low: number; readonly high: number }, truth: number) =>
	band.low <= truth && truth <= band.high;

/** "3 of 4 (30 to 95 %)": the interval holds the true share in 95 of 100 cases. */
function shareOf(hits: number, all: number): string {
	const [low, high] = wilson(hits, all);
	return `${hits} of ${all} (${(100 * Math.max(low, 0)).toFixed(0)} to ${(100 * high).toFixed(0)} %)`;
}

/** What of the hidden is found in some site-years, what is found that is not there, and how right it is. */
export class Tally {
	#hidden = 0;
	#found = 0;
	#named = 0;
	#datesNear = 0;
	#energiesWithin = 0;
	#falseEvents = 0;
	#cleanUnitYears = 0;

	/** @returns what is to be said of this site-year */
	add({ kind, unit, since, lost }: Hidden, { events }: Pick<Answer, 'events'>): string {
		const own = events.filter((event) => unit !== null && event.unit === `U ${unit}`);
		const others = events.length - own.length;
		this.#falseEvents += others;
		this.#cleanUnitYears += unit === null ? UNITS : UNITS - 1;
		if (unit === null) return `${others} false`;
		this.#hidden++;
		const event = own.find((one) => one.kind === kind) ?? own[0];
		if (!event) return `not found (${lost.toFixed(1)} kWh), ${others} false`;
		this.#found++;
		if (own.length === 1 && event.kind === kind) this.#named++;
		const days = daysBetween(event.since, since!);
		if (days <= 7) this.#datesNear++;
		if (holds(event.lostBand, lost)) this.#energiesWithin++;
		const kinds = own.map((one) => one.kind).join(', ');
		const { low, high } = event.lostBand;
		return `${kinds}, ${days} days off, ${event.lost.toFixed(1)} kWh (${low.toFixed(1)} to ${high.toFixed(1)}) of ${lost.toFixed(1)}, ${others} false`;
	}

	toString(): string {
		return [
			`  found ${shareOf(this.#found, this.#hidden)}, as one event of its kind ${shareOf(this.#named, this.#hidden)}`,
			`  date within 7 days ${shareOf(this.#datesNear, this.#found)}`,
			`  energy within its interval ${shareOf(this.#energiesWithin, this.#found)}`,
			`  false events ${this.#falseEvents} in ${this.#cleanUnitYears} clean unit-years`
		].join('\n');
	}
}

/** Estimates of clipped energy over the truth, and how many of their intervals hold it. */
export class ClippingTally {
	readonly #ratios: number[] = [];
	#inside = 0;

	add(answer: Answer, truth: readonly number[]): void {
		for (const { unit, lost } of answer.clipping) {
			const clipped = truth[Number(unit.split(' ')[1]) - 1]!;
			if (!lost || clipped < 5) continue;
			this.#ratios.push(lost.value / clipped);
			if (holds(lost, clipped)) this.#inside++;
		}
	}

	toString(): string {
		const sorted = this.#ratios.toSorted((a, b) => a - b);
		if (sorted.length === 0) return 'none';
		const at = (share: number) => sorted[Math.floor(share * (sorted.length - 1))]!.toFixed(2);
		return `median ${at(0.5)}, nine in ten ${at(0.05)} to ${at(0.95)}, interval holds ${shareOf(this.#inside, sorted.length)}`;
	}
}
