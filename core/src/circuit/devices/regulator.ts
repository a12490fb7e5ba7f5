import type { DeviceFactory } from './device.js';
import { across, conductanceSlots, stampConductance } from './two-terminal.js';

/** Width of the knee between regulating and following the input, V. */
const knee = 0.02;

/** What the input takes even when nothing feeds it: brings an open input to 0 V, S. */
const inputLeak = 1e-6;

/** ln(1 + e^z) without overflow. */
const softplus = (z: number): number => (z > 30 ? z : Math.log1p(Math.exp(z)));
const logistic = (z: number): number => 1 / (1 + Math.exp(-z));

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
 * A linear regulator: holds its output at the set voltage less load times output resistance, follows
 * the input once that comes within the drop-out, and takes from the input what it gives.
 */
export const regulator: DeviceFactory<'regulator'> = (element, node, system) => {
  const input = node(element.input);
  const output = node(element.output);
  const ground = node(element.ground);
  const branch = system.addBranch();
  const leak = conductanceSlots(system, input, ground);
  // The unknown is the current given out.
  const give = [system.slot(output, branch), system.slot(input, branch)];
  const row = [output, ground, input].map((n) => system.slot(branch, n));
  const self = system.slot(branch, branch);
  let present = element;
  return {
    nodes: [input, output, ground],
    set: (next) => (present = next),
    load: ({ values, rhs, x, sourceScale }) => {
      stampConductance(system, leak, inputLeak);
      const vin = across(x, input, ground);
      const { value, slope } = target(vin, present.volts * sourceScale, present.dropOut);
      values[give[0]] -= 1;
      values[give[1]] += 1;
      values[row[0]] += 1;
      values[row[1]] += slope - 1;
      values[row[2]] -= slope;
      values[self] += present.outputOhms;
      rhs[branch] += value - slope * vin;
    },
    currents: (x, out) => {
      const leaking = inputLeak * across(x, input, ground);
      out[0] = x[branch] + leaking;
      out[1] = -x[branch];
      out[2] = -leaking;
    },
  };
};
