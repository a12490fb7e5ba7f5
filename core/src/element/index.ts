export {
  elementNodes,
  kindOfElement,
  makeDevice,
  sameElement,
  signalNode,
  withNodes,
  type Element,
  type ElementOf,
  type ElementType,
} from './elements.js';
export type { Device, ElementKind, Slow, Switching } from './define-element.js';
export { thermalVoltage } from './junction.js';
export type { NoiseSource } from './noise.js';
export type { Waveform } from './waveform.js';
export type { RunningWave, WaveMark } from './running-wave.js';
