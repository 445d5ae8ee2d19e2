import type { Stamp } from './stamp';

/** A time zone as far as an export needs it. */
export interface Zone {
	/**
	 * Offsets that a clock's reading may have, ms ahead of UTC, the earlier instant first: one as a rule,
	 * two in the hour that comes twice, none in the hour that summer time leaves out.
	 */
	readonly offsetsAt: (clock: number) => readonly number[];
}

export function fixedZone(offset: number): Zone {
	const only = [offset];
	return { offsetsAt: () => only };
}

/** How the times of an export were read. */
export interface ClockTally {
	/** Times in the hour that comes twice. */
	doubled: number;
	/** Times in the hour that does not exist. */
	missing: number;
	/** Times before the one above them. */
	back: number;
}

/**
 * Turns the clock readings of one unit, in the order of the file, into instants. In the hour that
 * comes twice, the clock's first way through it is summer time; once it has been set back, it is not.
 */
export class UnitClock {
	#lastClock = -Infinity;
	#lastInstant = -Infinity;
	#setBack = false;

	constructor(
		readonly zone: Zone,
		readonly tally: ClockTally
	) {}

	/** @returns ms since 1970-01-01 UTC; null where the clock cannot have shown this */
	instantOf({ clock, offset }: Stamp): number | null {
		if (offset !== null) return this.#keep(clock, clock - offset);
		const offsets = this.zone.offsetsAt(clock);
		if (offsets.length === 0) {
			this.tally.missing++;
			return null;
		}
		if (offsets.length === 1) {
			this.#setBack = false;
			return this.#keep(clock, clock - offsets[0]!);
		}
		this.tally.doubled++;
		if (clock <= this.#lastClock) this.#setBack = true;
		return this.#keep(clock, clock - offsets[this.#setBack ? 1 : 0]!);
	}

	#keep(clock: number, instant: number): number {
		if (instant < this.#lastInstant) this.tally.back++;
		this.#lastClock = clock;
		this.#lastInstant = instant;
		return instant;
	}
}
