import { defineElement, type DeviceFactory } from './define-element.js';
import { logistic, softplus } from './smooth.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

export interface RegulatorElement {
  type: 'regulator';
  input: string;
  output: string;
  ground: string;
  volts: number;
  /** Least difference of input over output, V. */
  dropOut: number;
  outputOhms: number;
  /** Current into ground whatever the load, A; 0 when left out. */
  quiescent?: number;
  /** Most it gives, A; no limit when left out. */
  limit?: number;
  /** Share of the input power that reaches the output, for a switching one; a linear one when left out. */
  efficiency?: number;
}

/** Width of the knee between regulating and following the input, V. */
const knee = 0.02;
/** What the input takes even when nothing feeds it: brings an open input to 0 V, S. */
const inputLeak = 1e-6;
/** Slope of the output past the current limit, Ω. */
const limitOhms = 1000;
/** What it puts against current fed into its output, Ω; it cannot sink. */
const backOhms = 1000;
/** Width of the knee between giving and being fed, A. */
const backKnee = 1e-6;
/** Keeps the ratio of output to input finite, V. */
const leastInput = 1e-3;

interface Bend {
  value: number;
  slope: number;
}

/** The smooth lesser of `volts` and input − drop-out, 0 without input, with its slope. */
function target(input: number, volts: number, dropOut: number, into: Bend): Bend {
  const headroom = (input - dropOut) / knee;
  const over = (input - dropOut - volts) / knee;
  const none = softplus(-dropOut / knee) - softplus((-dropOut - volts) / knee);
  into.value = knee * (softplus(headroom) - softplus(over) - none);
  into.slope = logistic(headroom) - logistic(over);
  return into;
}

/**
 * A regulator: holds its output at the set voltage less load times output resistance, follows the
 * input once that comes within the drop-out, and gives no more than its limit. A linear one takes from
 * the input what it gives; a switching one takes the power it gives divided by its efficiency.
 */
const device: DeviceFactory<RegulatorElement> = (element, node, system) => {
  const input = node(element.input);
  const output = node(element.output);
  const ground = node(element.ground);
  const branch = system.addBranch();
  const leak = conductanceSlots(system, input, ground);
  // The unknown is the current given out.
  const give = system.slot(output, branch);
  const take = [input, ground].map((r) =>
    [branch, output, input, ground].map((column) => system.slot(r, column)),
  );
  const row = [output, ground, input].map((n) => system.slot(branch, n));
  const self = system.slot(branch, branch);
  let present = element;

  // Kept, so that an iteration allocates nothing.
  const goal: Bend = { value: 0, slope: 0 };
  const own: Bend = { value: 0, slope: 0 };
  const draws = { amps: 0, byGiven: 0, byOutput: 0, byInput: 0 };

  /** Current taken from the input for what is given, with its slopes by j, output and input volts. */
  const taken = (x: Float64Array): typeof draws => {
    const giving = x[branch] >= 0 ? 1 : 0;
    const j = giving * x[branch];
    // A switching one steps down: more than the input's voltage never stands at its output while it gives.
    const vin = Math.max(across(x, input, ground), leastInput);
    const full = 1 / (present.efficiency ?? 1);
    const ratio = Math.min(Math.max(across(x, output, ground) / vin, 0), 1);
    const bends = present.efficiency !== undefined && ratio > 0 && ratio < 1;
    const share = present.efficiency === undefined ? 1 : ratio * full;
    draws.amps = share * j;
    draws.byGiven = share * giving;
    draws.byOutput = bends ? (full * j) / vin : 0;
    draws.byInput = bends ? (-share * j) / vin : 0;
    return draws;
  };
  const idle = (x: Float64Array): Bend => {
    const t = Math.tanh(across(x, input, ground));
    const full = present.quiescent ?? 0;
    own.value = full * t;
    own.slope = full * (1 - t * t);
    return own;
  };

  return {
    nodes: [input, output, ground],
    linear: false,
    set: (next) => (present = next),
    load: (sys) => {
      const { values, rhs, x, sourceScale } = sys;
      const vin = across(x, input, ground);
      idle(x);
      stampConductance(sys, leak, inputLeak + own.slope);
      stampCurrent(sys, input, ground, own.value - own.slope * vin);
      const j = x[branch];
      const { value, slope } = target(vin, present.volts * sourceScale, present.dropOut, goal);
      values[give] -= 1;
      const { amps, byGiven, byOutput, byInput } = taken(x);
      for (let i = 0; i < 4; i++) {
        const slope =
          i === 0 ? byGiven : i === 1 ? byOutput : i === 2 ? byInput : -byOutput - byInput;
        values[take[0][i]] += slope;
        // What a switching one does not take from the input, it takes from ground.
        values[take[1][i]] -= slope;
      }
      values[take[1][0]] += 1;
      const linear = byGiven * j + byOutput * across(x, output, ground) + byInput * vin;
      stampCurrent(sys, input, ground, amps - linear);
      values[row[0]] += 1;
      values[row[1]] += slope - 1;
      values[row[2]] -= slope;
      const back = backOhms * logistic(-j / backKnee);
      values[self] += present.outputOhms + back;
      const against = -backOhms * backKnee * (softplus(-j / backKnee) - Math.LN2);
      rhs[branch] += value - slope * vin + back * j - against;
      if (present.limit === undefined) return;
      const soft = 0.01 * present.limit;
      const over = (j - present.limit) / soft;
      const steep = limitOhms * logistic(over);
      values[self] += steep;
      rhs[branch] += steep * j - limitOhms * soft * softplus(over);
    },
    currents: (x, out) => {
      const { amps } = taken(x);
      const drawn = inputLeak * across(x, input, ground) + idle(x).value;
      out[0] = amps + drawn;
      out[1] = -x[branch];
      out[2] = x[branch] - amps - drawn;
    },
  };
};

export const regulator = defineElement<RegulatorElement>({
  type: 'regulator',
  nodes: ['input', 'output', 'ground'],
  conducts: (e) => [
    [e.input, e.ground],
    [e.output, e.ground],
  ],
  positive: ['outputOhms', 'limit', 'efficiency'],
  notNegative: ['dropOut'],
  device,
});
