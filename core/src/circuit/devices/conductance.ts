import { thermalNoise } from './noise.js';
import type { DeviceFactory } from './device.js';
import { across, conductanceSlots, stampConductance, stampCurrent } from './two-terminal.js';

/** Farther than this the exponential is not followed: e^±60 is open or shorted for every purpose. */
const farthest = 60;

/** i = G·exp(k·vc)·v: a resistance that a signal moves over decades. */
export const conductance: DeviceFactory<'conductance'> = (element, node, system) => {
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
