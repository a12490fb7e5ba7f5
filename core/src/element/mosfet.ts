import { roomKelvin } from '../equations/index.js';
import { thermalNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { thermalVoltage } from './junction.js';
import { rising } from './rising.js';
import { logistic, softplus } from './smooth.js';
import { across, stampCurrent } from './two-terminal.js';

export interface MosfetElement {
  type: 'mosfet';
  polarity: 'n' | 'p';
  drain: string;
  gate: string;
  source: string;
  /** Gate voltage at which it begins to conduct, V, positive for both polarities. */
  threshold: number;
  /** Transconductance parameter β of I = β/2·(Vgs − Vth)², A/V². */
  beta: number;
}

/** Slope factor of the current below threshold: about 90 mV a decade (from memory). */
const slopeFactor = 1.5;
/** Change of the threshold, V/K (from memory). */
const thresholdDrift = -2e-3;

/**
 * One smooth equation over all regions, I = 2·β·w²·(ln²(1 + e^((vgs−Vth)/2w)) − ln²(1 + e^((vgd−Vth)/2w)))
 * with w = n·Vt: β/2·(vgs−Vth)² in saturation, β·(vgs−Vth)·vds when vds is small, exponential below.
 * After Enz, Krummenacher and Vittoz, "An analytical MOS transistor model valid in all regions of
 * operation", Analog Integrated Circuits and Signal Processing 8 (1995). A p channel is its mirror image.
 */
const device: DeviceFactory<MosfetElement> = (element, node, system) => {
  const d = node(element.drain);
  const g = node(element.gate);
  const s = node(element.source);
  const sign = element.polarity === 'n' ? 1 : -1;
  const slots = [d, s].map((row) => [d, g, s].map((column) => system.slot(row, column)));
  let present = element;
  const [atSource, atDrain] = [rising(system), rising(system)];
  const begins = (): number => present.threshold + thresholdDrift * (system.kelvin - roomKelvin);
  // Kept, so that an iteration allocates nothing.
  const [ahead, back] = [0, 0].map(() => ({ amps: 0, slope: 0 }));
  const half = (volts: number, into: { amps: number; slope: number }): typeof into => {
    const w = slopeFactor * thermalVoltage(system.kelvin);
    const beta = present.beta * (system.kelvin / roomKelvin) ** -1.5;
    const z = (volts - begins()) / (2 * w);
    const l = softplus(z);
    into.amps = 2 * beta * w * w * l * l;
    into.slope = 2 * beta * w * l * logistic(z);
    return into;
  };
  return {
    nodes: [d, g, s],
    linear: false,
    set: (next) => (present = next),
    load: ({ values, x }) => {
      const vgs = atSource(sign * across(x, g, s), begins());
      const vgd = atDrain(sign * across(x, g, d), begins());
      const forward = half(vgs, ahead);
      const reverse = half(vgd, back);
      for (let i = 0; i < 3; i++) {
        const byDrain = i === 2 ? 0 : reverse.slope;
        const bySource = i === 0 ? 0 : forward.slope;
        const slope = i === 1 ? bySource - byDrain : byDrain - bySource;
        values[slots[0][i]] += slope;
        values[slots[1][i]] -= slope;
      }
      const amps = forward.amps - reverse.amps;
      stampCurrent(system, d, s, sign * (amps - forward.slope * vgs + reverse.slope * vgd));
    },
    currents: (x, out) => {
      out[0] =
        sign * (half(sign * across(x, g, s), ahead).amps - half(sign * across(x, g, d), back).amps);
      out[1] = 0;
      out[2] = -out[0];
    },
    // Two thirds of the transconductance as a conductance (van der Ziel, 1962).
    noise: (x) => {
      const siemens = (2 / 3) * half(sign * across(x, g, s), ahead).slope;
      return [{ from: d, to: s, density: thermalNoise(siemens, system.kelvin) }];
    },
  };
};

export const mosfet = defineElement<MosfetElement>({
  type: 'mosfet',
  nodes: ['drain', 'gate', 'source'],
  blocks: true,
  conducts: (e) => [[e.drain, e.source]],
  positive: ['beta'],
  device,
});
