const ZERO_CELSIUS_IN_KELVIN = 273.15;

/** Temperature on the Kelvin scale for one on the Celsius scale. */
export function kelvin(celsius: number): number {
	return celsius + ZERO_CELSIUS_IN_KELVIN;
}
