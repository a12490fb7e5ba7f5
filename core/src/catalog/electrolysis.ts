/** Charge of one mole of electrons, A·s (CODATA 2018). */
const faraday = 96485.33;

/** A metal that goes into solution: electrons it leaves behind for each atom, kg/m³, kg/mol (CRC Handbook). */
interface Metal {
  electrons: number;
  density: number;
  molar: number;
}

export const iron: Metal = { electrons: 2, density: 7874, molar: 0.055845 };
export const copper: Metal = { electrons: 2, density: 8960, molar: 0.063546 };

/**
 * Charge that dissolves so much of a metal where all of the current does: n·F·ρ·V/M (Faraday's law of electrolysis).
 *
 * @param volume m³
 * @returns A·s
 */
export const dissolves = ({ electrons, density, molar }: Metal, volume: number): number =>
  (electrons * faraday * density * volume) / molar;
