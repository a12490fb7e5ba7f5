import type { DeviceFactory } from './device.js';
import { across } from './two-terminal.js';

/** A current in proportion to a voltage elsewhere. */
export const transconductance: DeviceFactory<'transconductance'> = (element, node, system) => {
  const nodes = [element.from, element.to, element.plus, element.minus].map(node);
  const [from, to, plus, minus] = nodes;
  const slots = [from, to].map((row) => [plus, minus].map((column) => system.slot(row, column)));
  let { siemens } = element;
  return {
    nodes,
    linear: true,
    set: (next) => (siemens = next.siemens),
    load: ({ values }) => {
      values[slots[0][0]] += siemens;
      values[slots[0][1]] -= siemens;
      values[slots[1][0]] -= siemens;
      values[slots[1][1]] += siemens;
    },
    currents: (x, out) => {
      out[0] = siemens * across(x, plus, minus);
      out[1] = -out[0];
      out[2] = 0;
      out[3] = 0;
    },
  };
};
