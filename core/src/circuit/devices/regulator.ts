import type { DeviceFactory } from './device.js';
import { logistic, softplus } from './smooth.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

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
/** Input volts below which a switching regulator counts as off. */
const leastInput = 0.5;

/** The smooth lesser of `volts` and input − drop-out, never below 0, with its slope. */
function target(input: number, volts: number, dropOut: number): { value: number; slope: number } {
  const headroom = (input - dropOut) / knee;
  const over = (input - dropOut - volts) / knee;
  return {
    value: knee * (softplus(headroom) - softplus(over)),
    slope: logistic(headroom) - logistic(over),
  };
}

/**
 * A regulator: holds its output at the set voltage less load times output resistance, follows the
 * input once that comes within the drop-out, and gives no more than its limit. A linear one takes from
 * the input what it gives; a switching one takes the power it gives divided by its efficiency.
 */
export const regulator: DeviceFactory<'regulator'> = (element, node, system) => {
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

  /** Current taken from the input for what is given, with its slopes by j, output and input volts. */
  const taken = (x: Float64Array): [number, number, number, number] => {
    const giving = x[branch] >= 0 ? 1 : 0;
    const j = giving * x[branch];
    if (present.efficiency === undefined) return [j, giving, 0, 0];
    const vin = across(x, input, ground);
    const held = Math.max(vin, leastInput);
    const share = across(x, output, ground) / (present.efficiency * held);
    const bySource = vin > leastInput ? (-share * j) / held : 0;
    return [share * j, share * giving, j / (present.efficiency * held), bySource];
  };
  const idle = (x: Float64Array): number =>
    (present.quiescent ?? 0) * Math.tanh(Math.max(0, across(x, input, ground)));

  return {
    nodes: [input, output, ground],
    linear: false,
    set: (next) => (present = next),
    load: (sys) => {
      const { values, rhs, x, sourceScale } = sys;
      stampConductance(sys, leak, inputLeak);
      stampCurrent(sys, input, ground, idle(x) * sourceScale);
      const vin = across(x, input, ground);
      const j = x[branch];
      const { value, slope } = target(vin, present.volts * sourceScale, present.dropOut);
      values[give] -= 1;
      const [amps, byGiven, byOutput, byInput] = taken(x);
      const slopes = [byGiven, byOutput, byInput, -byOutput - byInput];
      for (let i = 0; i < 4; i++) {
        values[take[0][i]] += slopes[i];
        // What a switching one does not take from the input, it takes from ground.
        values[take[1][i]] -= slopes[i];
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
      const [amps] = taken(x);
      const drawn = inputLeak * across(x, input, ground) + idle(x);
      out[0] = amps + drawn;
      out[1] = -x[branch];
      out[2] = x[branch] - amps - drawn;
    },
  };
};
