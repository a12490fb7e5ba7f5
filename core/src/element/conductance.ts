import { thermalNoise } from './noise.js';
import { defineElement, type DeviceFactory } from './define-element.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

/** A conductance baseSiemens·exp(perVolt · V(control)). */
export interface ConductanceElement {
  type: 'conductance';
  a: string;
  b: string;
  control: string;
  baseSiemens: number;
  perVolt: number;
}

/** Farther than this the exponential is not followed: e^±60 is open or shorted for every purpose. */
const farthest = 60;

/** i = G·exp(k·vc)·v: a resistance that a signal moves over decades. */
const device: DeviceFactory<ConductanceElement> = (element, node, system) => {
  const [a, b, control] = [element.a, element.b, element.control].map(node);
  const slots = conductanceSlots(system, a, b);
  const byControl = [a, b].map((row) => system.slot(row, control));
  let present = element;
  const siemens = (x: Float64Array): number => {
    const power = present.perVolt * across(x, control, -1);
    return present.baseSiemens * Math.exp(Math.min(farthest, Math.max(-farthest, power)));
  };
  return {
    nodes: [a, b, control],
    linear: false,
    set: (next) => (present = next),
    load: ({ values, x }) => {
      const now = siemens(x);
      const slope = present.perVolt * now * across(x, a, b);
      stampConductance(system, slots, now);
      values[byControl[0]] += slope;
      values[byControl[1]] -= slope;
      stampCurrent(system, a, b, -slope * across(x, control, -1));
    },
    currents: (x, out) => {
      out[0] = siemens(x) * across(x, a, b);
      out[1] = -out[0];
      out[2] = 0;
    },
    noise: (x) => [{ from: a, to: b, density: thermalNoise(siemens(x), system.kelvin) }],
  };
};

export const conductance = defineElement<ConductanceElement>({
  type: 'conductance',
  nodes: ['a', 'b', 'control'],
  conducts: (e) => [[e.a, e.b]],
  apart: (e) => [[e.control]],
  positive: ['baseSiemens'],
  device,
});
