/** Boltzmann constant in eV/K (CODATA 2018: 1.380649e-23 J/K over 1.602176634e-19 C, both exact). */
export const BOLTZMANN_EV_PER_K = 1.380649e-23 / 1.602176634e-19;

/** Irradiance of the standard test conditions, W/m2 (IEC 60904-3). */
export const STC_IRRADIANCE = 1000;

/** Cell temperature of the standard test conditions, degC (IEC 60904-3). */
export const STC_CELL_TEMPERATURE = 25;
