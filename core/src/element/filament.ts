import { roomKelvin } from '../equations/index.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

export interface FilamentElement {
  type: 'filament';
  a: string;
  b: string;
  /** Signal node: temperature as a share of the working one, as volts. */
  warmth: string;
  /** At its rated voltage, Ω. */
  hotOhms: number;
  hotKelvin: number;
  /** At its rated voltage, W. */
  watts: number;
  /** Heat held at the working temperature over rated power, s. */
  warming: number;
}

/** Resistance of tungsten against absolute temperature (CRC Handbook; from memory). */
const exponent = 1.2;

/**
 * A lamp: R = Rhot·(T/Thot)^1.2, heated by v²/R, cooled by radiation as T⁴ − Ta⁴. Its temperature is an
 * unknown, as a share y of the working temperature.
 */
const device: DeviceFactory<FilamentElement> = (element, node, system) => {
  const a = node(element.a);
  const b = node(element.b);
  const warmth = node(element.warmth);
  const slots = conductanceSlots(system, a, b);
  const byWarmth = [a, b].map((row) => system.slot(row, warmth));
  const heat = [a, b, warmth].map((column) => system.slot(warmth, column));
  const state = system.addState(1e-5);
  let present = element;
  /** Never guessed colder than half of room temperature. */
  const share = (x: Float64Array): number =>
    Math.max(x[warmth], roomKelvin / present.hotKelvin / 2);
  return {
    nodes: [a, b, warmth],
    linear: false,
    set: (next) => (present = next),
    load: ({ values, rhs, x, alpha, history, kelvin }) => {
      const y = share(x);
      const volts = across(x, a, b);
      const siemens = y ** -exponent / present.hotOhms;
      const fading = (-exponent * siemens * volts) / y;
      stampConductance(system, slots, siemens);
      values[byWarmth[0]] += fading;
      values[byWarmth[1]] -= fading;
      stampCurrent(system, a, b, -fading * y);
      // Divided by the rated power: warming·dy/dt = v²·G/P − (y⁴ − ya⁴)/(1 − ya⁴).
      const ambient = (kelvin / present.hotKelvin) ** 4;
      const { watts, warming } = present;
      const byVolts = (-2 * volts * siemens) / watts;
      const byY = alpha * warming - (volts * fading) / watts + (4 * y ** 3) / (1 - ambient);
      const residual =
        warming * (alpha * y + history[state]) -
        (volts ** 2 * siemens) / watts +
        (y ** 4 - ambient) / (1 - ambient);
      values[heat[0]] += byVolts;
      values[heat[1]] -= byVolts;
      values[heat[2]] += byY;
      rhs[warmth] += byVolts * volts + byY * y - residual;
    },
    currents: (x, out) => {
      out[0] = (across(x, a, b) * share(x) ** -exponent) / present.hotOhms;
      out[1] = -out[0];
      out[2] = 0;
    },
    store: () => (system.q[state] = system.x[warmth]),
    reset: () => (system.q[state] = system.kelvin / present.hotKelvin),
  };
};

export const filament = defineElement<FilamentElement>({
  type: 'filament',
  nodes: ['a', 'b', 'warmth'],
  signal: 'warmth',
  conducts: (e) => [[e.a, e.b]],
  positive: ['hotOhms', 'hotKelvin', 'warming'],
  device,
});
