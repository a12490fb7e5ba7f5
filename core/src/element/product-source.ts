import { defineElement, type DeviceFactory } from './define-element.js';
import { across, stampCurrent } from './two-terminal.js';

/** Drives siemens × V(by) × (V(plus) − V(minus)) out of `from`, through itself, into `to`; `by` is a signal node. */
export interface ProductSourceElement {
  type: 'product-source';
  from: string;
  to: string;
  plus: string;
  minus: string;
  by: string;
  siemens: number;
}

/** i = S·vs·v: a current in proportion to a voltage elsewhere, and to a signal. */
const device: DeviceFactory<ProductSourceElement> = (element, node, system) => {
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

export const productSource = defineElement<ProductSourceElement>({
  type: 'product-source',
  nodes: ['from', 'to', 'plus', 'minus', 'by'],
  conducts: () => [],
  apart: (e) => [[e.plus, e.minus], [e.by]],
  device,
});
