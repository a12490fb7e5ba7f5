import { defineElement, type DeviceFactory } from './define-element.js';
import { across } from './two-terminal.js';

/** Drives siemens × (V(plus) − V(minus)) out of `from`, through itself, into `to`. */
export interface TransconductanceElement {
  type: 'transconductance';
  from: string;
  to: string;
  plus: string;
  minus: string;
  siemens: number;
}

/** A current in proportion to a voltage elsewhere. */
const device: DeviceFactory<TransconductanceElement> = (element, node, system) => {
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

export const transconductance = defineElement<TransconductanceElement>({
  type: 'transconductance',
  nodes: ['from', 'to', 'plus', 'minus'],
  conducts: () => [],
  apart: (e) => [[e.plus, e.minus]],
  device,
});
