import { biasCurrent } from './bias-current.js';
import type { DeviceFactory } from './device.js';
import { logistic, softplus } from './smooth.js';
import { across, stampCurrent } from './two-terminal.js';

/** Width of the knee at the rails, V. */
const knee = 0.01;
const fineVolts = 20e-6;

/**
 * An operational amplifier as one pole with limits: du/dt = S·tanh(ω·vd/S) − ω/A·u for the voltage u
 * behind its output resistance, held between the rails; ω = 2π·GBW. The output current is limited.
 * One-pole model with slew limit: Solomon, "The monolithic op amp: a tutorial study", IEEE Journal of
 * Solid-State Circuits 9 (1974).
 */
export const opAmp: DeviceFactory<'op-amp'> = (element, node, system) => {
  const [p, m, o, s, g] = [
    element.plus,
    element.minus,
    element.output,
    element.supply,
    element.ground,
  ].map(node);
  const inner = system.addBranch();
  const row = [inner, p, m, s, g].map((column) => system.slot(inner, column));
  const gives = [o, s].map((r) => [inner, o].map((column) => system.slot(r, column)));
  const state = system.addState(fineVolts);
  const biases = [p, m].map((input) => biasCurrent(system, s, input));
  let present = element;

  /** Most it gives or takes now: nothing without a supply. */
  const limitAt = (x: Float64Array): number =>
    present.limit * Math.max(1e-9, Math.tanh(across(x, s, g)));
  const amps = (x: Float64Array): number => {
    const limit = limitAt(x);
    return limit * Math.tanh((x[inner] - across(x, o, -1)) / (present.outputOhms * limit));
  };
  return {
    nodes: [p, m, o, s, g],
    linear: false,
    set: (next) => (present = next),
    load: (sys) => {
      const { x, values, rhs, alpha, history } = sys;
      const { outputOhms } = present;
      const limit = limitAt(x);
      biases.forEach((b) => b.load(present.bias));
      // Output current from the supply into the output, towards u.
      const t = amps(x) / limit;
      const slope = (1 - t * t) / outputOhms;
      values[gives[0][0]] -= slope;
      values[gives[0][1]] += slope;
      values[gives[1][0]] += slope;
      values[gives[1][1]] -= slope;
      const seen = slope * (x[inner] - across(x, o, -1));
      stampCurrent(sys, s, o, limit * t - seen);
      // The inner row, divided by ω: (α·u + h)/ω = S/ω·tanh(ω·vd/S) − u/A − clamps.
      const omega = 2 * Math.PI * present.bandwidth;
      const reach = present.slew / omega;
      const vd = across(x, p, m) - present.offset;
      const drive = Math.tanh(vd / reach);
      const gain = 1 - drive * drive;
      // Rails that have met leave it no room, and never cross.
      const room = Math.max(0, across(x, s, g) - present.marginLow);
      const margin = Math.min(present.marginHigh, room);
      const top = (x[inner] - across(x, s, -1) + margin) / knee;
      const bottom = (across(x, g, -1) + present.marginLow - x[inner]) / knee;
      const full = Math.max(5 * reach, 1e-3);
      const clampUp = (full * logistic(top)) / knee;
      const clampDown = (full * logistic(bottom)) / knee;
      const residual =
        (alpha * x[inner] + history[state]) / omega -
        reach * drive +
        x[inner] / present.gain +
        full * (softplus(top) - softplus(bottom));
      const slopes = [
        alpha / omega + 1 / present.gain + clampUp + clampDown,
        -gain,
        gain,
        -clampUp,
        -clampDown,
      ];
      const at = [x[inner], across(x, p, -1), across(x, m, -1), across(x, s, -1), across(x, g, -1)];
      let linear = 0;
      for (let i = 0; i < 5; i++) {
        values[row[i]] += slopes[i];
        linear += slopes[i] * at[i];
      }
      rhs[inner] += linear - residual;
    },
    currents: (x, out) => {
      const given = amps(x);
      out[0] = -biases[0].at(x, present.bias);
      out[1] = -biases[1].at(x, present.bias);
      out[2] = -given;
      out[3] = given - out[0] - out[1];
      out[4] = 0;
    },
    store: () => (system.q[state] = system.x[inner]),
    reset: () => (system.q[state] = 0),
  };
};
