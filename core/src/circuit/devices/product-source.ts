import type { DeviceFactory } from './device.js';
import { across, stampCurrent } from './two-terminal.js';

/** i = S·vs·v: a current in proportion to a voltage elsewhere, and to a signal. */
export const productSource: DeviceFactory<'product-source'> = (element, node, system) => {
  const nodes = [element.from, element.to, element.plus, element.minus, element.by].map(node);
  const [from, to, plus, minus, by] = nodes;
  const slots = [from, to].map((row) =>
    [plus, minus, by].map((column) => system.slot(row, column)),
  );
  let { siemens } = element;
  return {
    nodes,
    linear: false,
    set: (next) => (siemens = next.siemens),
    load: ({ values, x }) => {
      const [signal, volts] = [across(x, by, -1), across(x, plus, minus)];
      const steps = [siemens * signal, -siemens * signal, siemens * volts];
      steps.forEach((step, i) => {
        values[slots[0][i]] += step;
        values[slots[1][i]] -= step;
      });
      stampCurrent(system, from, to, -siemens * signal * volts);
    },
    currents: (x, out) => {
      out[0] = siemens * across(x, by, -1) * across(x, plus, minus);
      out[1] = -out[0];
      out[2] = out[3] = out[4] = 0;
    },
  };
};
