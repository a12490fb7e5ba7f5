/** Boltzmann constant, J/K, and elementary charge, C (CODATA 2022, exact). */
const boltzmann = 1.380649e-23;
const charge = 1.602176634e-19;

/** A fluctuating current from one row of the equations to another, with its one-sided density, A²/Hz. */
export interface NoiseSource {
  from: number;
  to: number;
  density: number;
}

/** Thermal noise of a conductance, 4·k·T·G (Johnson and Nyquist, 1928). */
export const thermalNoise = (siemens: number, kelvin: number): number =>
  4 * boltzmann * kelvin * siemens;

/** Shot noise of a junction current, 2·q·I (Schottky, 1918). */
export const shotNoise = (amps: number): number => 2 * charge * Math.abs(amps);
