/** Change of copper's resistance per kelvin at 20 degC, 1/K (IEC 60228, not verified). */
const PER_KELVIN = 0.00393;

/** Resistivity at 20 degC, ohm mm2/m: of plain copper, and of flexible tinned copper as PV cable has it. */
const RESISTIVITY = {
	/** Not verified. */
	copper: 0.0172,
	/**
	 * IEC 60228 class 5, tinned: maximum resistance of a conductor times its nominal size, 5.09 ohm/km at
	 * 4 mm2 and 3.39 ohm/km at 6 mm2 (not verified). EN 50618 asks for this class.
	 */
	pvCable: 0.02036
} as const;
type Conductor = keyof typeof RESISTIVITY;

/** A pair of copper conductors. */
export interface Cable {
	/** One way, m. */
	readonly length: number;
	/** Cross-section of a conductor, mm2. */
	readonly size: number;
	/** Of the conductor, degC. */
	readonly temperature: number;
	/** What it is made of; plain copper where it is left out. */
	readonly conductor?: Conductor;
}

/** Both conductors together, ohm: there and back. */
export function cableResistance({
	length,
	size,
	temperature,
	conductor = 'copper'
}: Cable): number {
	return (2 * length * RESISTIVITY[conductor] * (1 + PER_KELVIN * (temperature - 20))) / size;
}
