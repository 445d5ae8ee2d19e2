/** Resistivity of copper at 20 degC, ohm mm2/m, and its change per kelvin (IEC 60228, from memory). */
const COPPER = { resistivity: 0.0172, perKelvin: 0.00393 };

/** A pair of copper conductors. */
export interface Cable {
	/** One way, m. */
	readonly length: number;
	/** Cross-section of a conductor, mm2. */
	readonly size: number;
	/** Of the conductor, degC. */
	readonly temperature: number;
}

/** Both conductors together, ohm: there and back. */
export function cableResistance({ length, size, temperature }: Cable): number {
	const { resistivity, perKelvin } = COPPER;
	return (2 * length * resistivity * (1 + perKelvin * (temperature - 20))) / size;
}
