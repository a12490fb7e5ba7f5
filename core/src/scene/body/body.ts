import type { OnPath } from '../path.js';

/** Something solid that is somewhere at a moment: a person, an animal, a curtain, a hand. */
export interface Body extends OnPath {
  /** m/s along its heading. */
  speed: number;
  /** Across and up, m. */
  width: number;
  height: number;
  /** How high over the ground it begins, m; on it where left out. */
  bottom?: number;
  /** Of its surface over the surroundings, K; of someone warm by himself in air of 20 °C. */
  excess: number;
  /** Of someone warm by himself: his skin, °C. In air as warm his surface is no warmer than that. */
  skin?: number;
  /** Share of near infrared it throws back. */
  reflectance: number;
  /** Radar cross-section, m². */
  echo: number;
  /** kg. */
  mass: number;
  /** Vibration of the ground a metre from it, m/s². */
  footfall: number;
  /** Level of what is heard of it a metre away, dB re 20 µPa. */
  loudness: number;
}

/** Mean skin temperature in air in which skin and air are as warm, °C (ISO 7933 takes 35 °C to 36 °C for work in the heat). */
export const skinInHeat = 35;

/** Something that only casts a shadow and throws back light. */
export const plainBody = {
  height: 1,
  excess: 0,
  reflectance: 0.3,
  echo: 0,
  mass: 0,
  footfall: 0,
  loudness: -100,
} as const;
