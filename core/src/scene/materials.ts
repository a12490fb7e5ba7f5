import type { Material } from '../design/index.js';

/** What a wall of a material is to waves. */
export interface WallKind {
  label: string;
  /** Usual thickness, m. */
  thickness: number;
  /** Share of light and of infrared below 1 µm that is seen through it; of the warmth of bodies none is. */
  light: number;
  /** By how much it weakens sound, dB: weighted sound reduction index of the usual thickness. */
  sound: number;
  /**
   * Relative permittivity, and conductivity c·f^d with f in GHz, S/m; through metal and banks of earth nothing passes that is reckoned with here
   * (ITU-R P.2040-3, table 3).
   */
  radio: { permittivity: number; c: number; d: number } | 'nothing';
}

/** Thicknesses and sound reduction as usual for houses and sheds (from memory). */
export const wallKinds: Readonly<Record<Material, WallKind>> = {
  brick: {
    ...{ label: 'brick, 11 cm', thickness: 0.11, light: 0, sound: 45 },
    radio: { permittivity: 3.91, c: 0.0238, d: 0.16 },
  },
  concrete: {
    ...{ label: 'concrete, 15 cm', thickness: 0.15, light: 0, sound: 53 },
    radio: { permittivity: 5.24, c: 0.0462, d: 0.7822 },
  },
  plasterboard: {
    ...{ label: 'plasterboard, 2 × 12 mm', thickness: 0.025, light: 0, sound: 38 },
    radio: { permittivity: 2.73, c: 0.0085, d: 0.9395 },
  },
  wood: {
    ...{ label: 'boards, 20 mm', thickness: 0.02, light: 0, sound: 22 },
    radio: { permittivity: 1.99, c: 0.0047, d: 1.0718 },
  },
  glass: {
    ...{ label: 'glass, 6 mm', thickness: 0.006, light: 0.85, sound: 30 },
    radio: { permittivity: 6.31, c: 0.0036, d: 1.3394 },
  },
  metal: {
    ...{ label: 'sheet metal, 1 mm', thickness: 0.001, light: 0, sound: 25 },
    radio: 'nothing',
  },
  // What goes through metres of it is not reckoned with, only what goes over.
  earth: {
    ...{ label: 'earth, a bank or hill', thickness: 5, light: 0, sound: 60 },
    radio: 'nothing',
  },
};

/** What is taken for nothing at all, dB. */
export const nothingPasses = 60;

/**
 * By how much a wall weakens a radio wave that meets it straight, dB: what both faces throw back, and what is lost on the way at
 * 1636·σ/√ε dB/m (ITU-R P.2040-3). What goes to and fro inside it is left out.
 *
 * @param hertz from 1 MHz to 100 GHz
 * @example radioLoss('brick', 433e6) // 2.88
 */
export function radioLoss(material: Material, hertz: number): number {
  const { radio, thickness } = wallKinds[material];
  if (radio === 'nothing') return nothingPasses;
  const index = Math.sqrt(radio.permittivity);
  const face = -10 * Math.log10((4 * index) / (index + 1) ** 2);
  const conductivity = radio.c * (hertz / 1e9) ** radio.d;
  const lost = 2 * face + (1636 * conductivity * thickness) / index;
  return Math.min(nothingPasses, lost);
}

/**
 * By how much leaves weaken a radio wave that goes through so much of them, dB: 0.2·f^0.3·d^0.6, f in MHz, from 200 MHz to 95 GHz and
 * up to 400 m (CCIR Report 236-2, 1986).
 *
 * @example leavesLoss(10, 433e6) // 4.92
 */
export const leavesLoss = (metres: number, hertz: number): number =>
  0.2 * (hertz / 1e6) ** 0.3 * metres ** 0.6;
