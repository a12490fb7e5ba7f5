import { biasCurrent } from './bias-current.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { logistic, softplus } from './smooth.js';
import { turning } from './turning.js';
import { across, stampCurrent } from './two-terminal.js';

export interface OpAmpElement {
  type: 'op-amp';
  plus: string;
  minus: string;
  output: string;
  supply: string;
  ground: string;
  /** Open-loop gain. */
  gain: number;
  /** Gain–bandwidth product, Hz. */
  bandwidth: number;
  /** V/s. */
  slew: number;
  offset: number;
  /** Out of each input, A. */
  bias: number;
  /** How close the output comes to each rail, V. */
  marginHigh: number;
  marginLow: number;
  outputOhms: number;
  /** Most it gives or takes, A. */
  limit: number;
}

/** Width of the knee at the rails, V. */
const knee = 0.01;
/** So far from a rail it holds nothing, V. */
const away = 10 * knee;
const fineVolts = 20e-6;
/** Supply at which it works, and the width within which it wakes, V (from memory). */
const wakes = 1.2;
const wakeKnee = 0.1;

/**
 * An operational amplifier as one pole with limits: du/dt = S·tanh(ω·vd/S) − ω/A·u for the voltage u
 * behind its output resistance, held between the rails; ω = 2π·GBW. The output current is limited.
 * One-pole model with slew limit: Solomon, "The monolithic op amp: a tutorial study", IEEE Journal of
 * Solid-State Circuits 9 (1974).
 */
const device: DeviceFactory<OpAmpElement> = (element, node, system) => {
  const [p, m, o, s, g] = [
    element.plus,
    element.minus,
    element.output,
    element.supply,
    element.ground,
  ].map(node);
  const inner = system.addBranch();
  const row = [inner, p, m, s, g].map((column) => system.slot(inner, column));
  const gives = [o, s].map((r) => [inner, o, s, g].map((column) => system.slot(r, column)));
  const state = system.addState(fineVolts);
  const biases = [p, m].map((input) => biasCurrent(system, s, input));
  const follow = turning(system);
  const followOutput = turning(system);
  let present = element;
  // Kept, so that an iteration allocates nothing.
  const flow = { amps: 0, byDrive: 0, bySupply: 0 };
  const slopes = new Float64Array(5);
  const at = new Float64Array(5);

  /**
   * Current into the output and its slopes by what drives it, u − v(out), and by supply: next to nothing
   * unpowered.
   */
  const given = (x: Float64Array, volts: number): typeof flow => {
    const { limit, outputOhms } = present;
    const power = logistic((across(x, s, g) - wakes) / wakeKnee);
    const t = Math.tanh(volts / (outputOhms * limit));
    flow.amps = power * limit * t;
    flow.byDrive = (power * (1 - t * t)) / outputOhms;
    flow.bySupply = ((power * (1 - power)) / wakeKnee) * limit * t;
    return flow;
  };
  return {
    nodes: [p, m, o, s, g],
    linear: false,
    set: (next) => (present = next),
    load: (sys) => {
      const { x, values, rhs, alpha, history } = sys;
      for (let i = 0; i < 2; i++) biases[i].load(present.bias);
      // Output current from the supply into the output, towards u.
      const over = followOutput(x[inner] - across(x, o, -1), present.outputOhms * present.limit);
      const { amps, byDrive, bySupply } = given(x, over);
      for (let k = 0; k < 4; k++) {
        const slope = (k < 2 ? byDrive : bySupply) * (k % 2 === 0 ? 1 : -1);
        values[gives[0][k]] -= slope;
        values[gives[1][k]] += slope;
      }
      const seen = byDrive * over + bySupply * across(x, s, g);
      stampCurrent(sys, s, o, amps - seen);
      // The inner row, divided by ω: (α·u + h)/ω = S/ω·tanh(ω·vd/S) − u/A − clamps.
      const omega = 2 * Math.PI * present.bandwidth;
      const reach = present.slew / omega;
      const wanted = across(x, p, m) - present.offset;
      const vd = follow(wanted, reach);
      const drive = Math.tanh(vd / reach);
      const gain = 1 - drive * drive;
      const floor = across(x, g, -1) + present.marginLow;
      const ceiling = across(x, s, -1) - present.marginHigh;
      // Rails that would cross leave it no room: then it stays at the lower one.
      const crossed = ceiling < floor;
      const highest = crossed ? floor : ceiling;
      // Where the inputs have just changed sides they decide, not the rail that a saturated guess was thrown beyond.
      const u =
        vd === wanted ? x[inner] : Math.max(floor + away, Math.min(highest - away, x[inner]));
      const top = (u - highest) / knee;
      const bottom = (floor - u) / knee;
      const full = Math.max(5 * reach, 1e-3);
      const clampUp = (full * logistic(top)) / knee;
      const clampDown = (full * logistic(bottom)) / knee;
      const residual =
        (alpha * u + history[state]) / omega -
        reach * drive +
        u / present.gain +
        full * (softplus(top) - softplus(bottom));
      slopes[0] = alpha / omega + 1 / present.gain + clampUp + clampDown;
      slopes[1] = -gain;
      slopes[2] = gain;
      slopes[3] = crossed ? 0 : -clampUp;
      slopes[4] = -clampDown - (crossed ? clampUp : 0);
      // The difference stands where it was linearised, which may not be where the guess is.
      at[0] = u;
      at[1] = vd + present.offset;
      at[3] = across(x, s, -1);
      at[4] = across(x, g, -1);
      let linear = 0;
      for (let i = 0; i < 5; i++) {
        values[row[i]] += slopes[i];
        linear += slopes[i] * at[i];
      }
      rhs[inner] += linear - residual;
    },
    currents: (x, out) => {
      const { amps } = given(x, x[inner] - across(x, o, -1));
      out[0] = -biases[0].at(x, present.bias);
      out[1] = -biases[1].at(x, present.bias);
      out[2] = -amps;
      out[3] = amps - out[0] - out[1];
      out[4] = 0;
    },
    store: () => (system.q[state] = system.x[inner]),
    reset: () => (system.q[state] = 0),
  };
};

export const opAmp = defineElement<OpAmpElement>({
  type: 'op-amp',
  nodes: ['plus', 'minus', 'output', 'supply', 'ground'],
  conducts: (e) => [[e.output, e.ground]],
  positive: ['gain', 'bandwidth', 'slew', 'outputOhms', 'limit'],
  notNegative: ['bias'],
  device,
});
